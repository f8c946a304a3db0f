import { createServer } from 'node:net';
import { parseArgs } from 'node:util';
import { Fault } from './fault.mjs';

const OWN_MACHINE = '127.0.0.1';
const DEFAULT_PORT = '4600';
const HIGHEST_PORT = 65_535;

/** What was asked for on the command line; the port is known to be free before any long step begins. */
export async function serverOptions() {
  const { port: portText, host, https } = parsed();
  const port = Number(portText);
  if (!Number.isInteger(port) || port < 1 || port > HIGHEST_PORT) {
    throw new Fault(`--port: give a whole number from 1 to ${HIGHEST_PORT}.`);
  }
  const problem = await whyNotFree(port, host);
  if (problem) throw new Fault(problem);
  return ['--port', String(port), '--host', host, ...(https ? ['--https'] : [])];
}

/** A port that nothing listens on. */
export function freePort() {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.listen(0, OWN_MACHINE, () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

function parsed() {
  try {
    return parseArgs({
      options: {
        port: { type: 'string', default: DEFAULT_PORT },
        host: { type: 'string', default: OWN_MACHINE },
        https: { type: 'boolean', default: false },
      },
    }).values;
  } catch (error) {
    throw new Fault(`${error.message.split('.')[0]}. The options are -- --port N --host ADDRESS --https.`);
  }
}

function whyNotFree(port, host) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', ({ code }) => resolve(whyNot(code, port, host)));
    probe.listen(port, host, () => probe.close(() => resolve(undefined)));
  });
}

function whyNot(code, port, host) {
  switch (code) {
    case 'EADDRINUSE':
      return `Port ${port} is taken: stop what runs there, or choose another with -- --port ${port + 1}.`;
    case 'EACCES':
      return `Port ${port} needs more rights: choose one above 1023, such as -- --port ${DEFAULT_PORT}.`;
    default:
      return `--host ${host}: this machine has no such address (${code}); leave --host out for this machine alone.`;
  }
}
