import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createApplication } from './application.ts';

const HOST = '127.0.0.1';
const DEFAULT_PORT = '4600';
const HIGHEST_PORT = 65_535;

const { values } = parseArgs({
  options: { port: { type: 'string', default: DEFAULT_PORT }, demo: { type: 'string' } },
});

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}

const port = Number(values.port);
if (!Number.isInteger(port) || port < 1 || port > HIGHEST_PORT) {
  fail(`--port ${values.port}: give a whole number from 1 to ${HIGHEST_PORT}.`);
}
const folder = fileURLToPath(new URL('../../app/dist', import.meta.url));
if (!existsSync(folder)) fail('The application is not built yet: run `npm run demo`.');

const server = createApplication({ folder, demoRig: values.demo }).listen(port, HOST);

server.on('listening', () => process.stdout.write(`Heliarch is ready: http://${HOST}:${port}\n`));
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') {
    fail(`Port ${port} is taken: stop what runs there, or choose another with -- --port ${port + 1}.`);
  }
  fail(`The server cannot start: ${error.message}.`);
});

function stop(): void {
  server.close(() => process.exit(0));
  server.closeAllConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
