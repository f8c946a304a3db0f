import { existsSync } from 'node:fs';
import { createServer as createHttpServer, type Server } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { isLoopback, namesOfThisMachine, pagesOf } from './addresses.ts';
import { AUTHORITY_PATH, createApplication } from './application.ts';
import { ownCertificate, type Certificate } from './certificate.ts';

const OWN_MACHINE = '127.0.0.1';
const DEFAULT_PORT = '4600';
const HIGHEST_PORT = 65_535;
const CERTIFICATE = '.setup/certificate.json';

/** What is no request gets an answer all the same, and no stack. */
const NO_REQUEST = [
  'HTTP/1.1 400 Bad Request',
  "Content-Security-Policy: default-src 'none'",
  'X-Content-Type-Options: nosniff',
  'Connection: close',
  '',
  '',
].join('\r\n');

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

const certificate = values.https ? await certificateOfThisMachine() : undefined;
const server = serverOf(certificate);
server.on('listening', () => {
  const [first, ...others] = pagesOf(certificate ? 'https' : 'http', host, port);
  if (!isLoopback(host)) tellOfTheNetwork();
  if (others.length > 0) process.stdout.write(`From another machine: ${others.join(' or ')}\n`);
  process.stdout.write(`Heliarch is ready: ${first}\n`);
});
server.on('error', (error: NodeJS.ErrnoException) => fail(whyNotStarted(error)));
server.on('clientError', (_error, socket) => socket.end(NO_REQUEST));
server.listen(port, host);

process.on('SIGTERM', stop);
process.on('SIGINT', stop);

function serverOf(certificate: Certificate | undefined): Server {
  const answer = createApplication({
    folder,
    demoRig: values.demo,
    authority: certificate?.authority,
  }).callback();
  const handle = (...[request, response]: Parameters<typeof answer>) => void answer(request, response);
  return certificate ? createHttpsServer(certificate, handle) : createHttpServer(handle);
}

async function certificateOfThisMachine(): Promise<Certificate> {
  const path = fileURLToPath(new URL(`../../${CERTIFICATE}`, import.meta.url));
  try {
    return await ownCertificate(path, namesOfThisMachine(host));
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === undefined) throw error;
    return fail(
      code === 'ENOSPC'
        ? `${CERTIFICATE} cannot be written: the disk is full; free some space, then try again.`
        : `${CERTIFICATE} cannot be written (${code}): make this folder writable, or leave --https out.`,
    );
  }
}

function tellOfTheNetwork(): void {
  const [own, page = own] = pagesOf('https', host, port);
  process.stdout.write(
    'Anyone on this network can open the page. Rigs stay in each browser; none is on this server.\n' +
      (certificate
        ? 'A phone warns of the certificate, works while this server runs, and keeps nothing for use offline\n' +
          `until it trusts it: open ${page}${AUTHORITY_PATH} on the phone and install it as a CA certificate\n` +
          'in its settings (take it out again when done). Any HTTPS host that serves app/dist does it too.\n'
        : 'Without HTTPS a phone keeps nothing for use offline and has no camera here: add --https.\n'),
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
