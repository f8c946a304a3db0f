import { existsSync } from 'node:fs';
import { createServer as createHttpServer, type Server } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { createApplication } from './application.ts';
import { ownCertificate } from './certificate.ts';

const OWN_MACHINE = '127.0.0.1';
const DEFAULT_PORT = '4600';
const HIGHEST_PORT = 65_535;

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: DEFAULT_PORT },
    host: { type: 'string', default: OWN_MACHINE },
    https: { type: 'boolean', default: false },
    demo: { type: 'string' },
  },
});

const { host } = values;
const port = Number(values.port);
if (!Number.isInteger(port) || port < 1 || port > HIGHEST_PORT) {
  fail(`--port ${values.port}: give a whole number from 1 to ${HIGHEST_PORT}.`);
}
const folder = fileURLToPath(new URL('../../app/dist', import.meta.url));
if (!existsSync(folder)) fail('The application is not built yet: run `npm run demo`.');

const server = await serverOf(createApplication({ folder, demoRig: values.demo }).callback());
server.on('listening', () => {
  if (host !== OWN_MACHINE) warnOfTheNetwork();
  process.stdout.write(`Heliarch is ready: ${values.https ? 'https' : 'http'}://${host}:${port}\n`);
});
server.on('error', (error: NodeJS.ErrnoException) => fail(whyNotStarted(error)));
server.listen(port, host);

process.on('SIGTERM', stop);
process.on('SIGINT', stop);

async function serverOf(
  answer: ReturnType<ReturnType<typeof createApplication>['callback']>,
): Promise<Server> {
  const handle = (...[request, response]: Parameters<typeof answer>) => void answer(request, response);
  if (!values.https) return createHttpServer(handle);
  const certificatePath = fileURLToPath(new URL('../../.setup/certificate.json', import.meta.url));
  return createHttpsServer(await ownCertificate(certificatePath, host), handle);
}

function warnOfTheNetwork(): void {
  process.stdout.write(
    'Anyone on this network can open the page. Rigs stay in each browser; none is on this server.\n' +
      (values.https
        ? 'The certificate is your own: a phone warns once. Without --https it would not work offline.\n'
        : 'Without --https a phone cannot keep the page for use offline.\n'),
  );
}

function whyNotStarted(error: NodeJS.ErrnoException): string {
  switch (error.code) {
    case 'EADDRINUSE':
      return `Port ${port} is taken: stop what runs there, or choose another with -- --port ${port + 1}.`;
    case 'EADDRNOTAVAIL':
    case 'ENOTFOUND':
      return `--host ${host}: this machine has no such address; give one of its own, or 0.0.0.0 for all.`;
    case 'EACCES':
      return `Port ${port} needs more rights: choose one above 1023 with -- --port.`;
    default:
      return `The server cannot start: ${error.message}.`;
  }
}

function stop(): void {
  server.close(() => process.exit(0));
  server.closeAllConnections();
}

function fail(message: string): never {
  process.stderr.write(`${message}\n`);
  process.exit(1);
}
