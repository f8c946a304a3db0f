import { createServer } from 'node:net';
import { parseArgs } from 'node:util';
import { Fault } from './fault.mjs';

const HOST = '127.0.0.1';
const DEFAULT_PORT = '4600';
const HIGHEST_PORT = 65_535;

/** The port asked for on the command line, known to be free before any long step begins. */
export async function choosePort() {
  const port = Number(portArgument());
  if (!Number.isInteger(port) || port < 1 || port > HIGHEST_PORT) {
    throw new Fault(`--port: give a whole number from 1 to ${HIGHEST_PORT}.`);
  }
  if (!(await isFree(port))) {
    throw new Fault(
      `Port ${port} is taken: stop what runs there, or choose another with -- --port ${port + 1}.`,
    );
  }
  return port;
}

function portArgument() {
  try {
    return parseArgs({ options: { port: { type: 'string', default: DEFAULT_PORT } } }).values.port;
  } catch (error) {
    throw new Fault(`${error.message} The one option is -- --port N.`);
  }
}

function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, HOST, () => probe.close(() => resolve(true)));
  });
}
