import Router from '@koa/router';
import Koa from 'koa';
import compress from 'koa-compress';
import conditional from 'koa-conditional-get';
import etag from '@koa/etag';
import helmet from 'koa-helmet';
import serve from 'koa-static';
import { createReadStream } from 'node:fs';
import { join } from 'node:path';
import { CONTENT_SECURITY_POLICY } from './content-security-policy.ts';
import { simulatedInstruments } from './instruments/simulated-instruments.ts';

export interface ApplicationOptions {
  /** Folder of the built application. */
  readonly folder: string;
  /** The demo rig that an empty browser is offered at the first visit, if any. */
  readonly demoRig: string | undefined;
  /** The certificate that a phone has to trust before it works offline here, if any. */
  readonly authority?: string | undefined;
}

const YEAR_S = 31_536_000;
const COMPRESS_FROM_BYTES = 1024;

/** The build names a file by a hash of its content: only such a file can be kept for ever. */
const HASHED = /-[A-Za-z0-9]{8}\.(js|css|woff2?)(\.(br|gz))?$/;

/** Where a phone finds the certificate to trust. */
export const AUTHORITY_PATH = '/heliarch.crt';

/**
 * Serves the built application. It holds no data of the user: rigs stay in the browser.
 */
export function createApplication({ folder, demoRig, authority }: ApplicationOptions): Koa {
  const application = new Koa();
  application.on('error', reportDefect);
  application.use(helmet(securityHeaders));
  application.use(answerFaultsInOneLine);
  // For what the build has not compressed: brotli would take several megabytes of memory a request.
  application.use(compress({ threshold: COMPRESS_FROM_BYTES, br: false, filter: isCompressed }));
  application.use(conditional());
  application.use(etag());
  application.use(ownRoutes(demoRig, authority));
  application.use(simulatedInstruments(demoRig));
  application.use(serve(folder, { setHeaders: cacheByName }));
  application.use(answerRoomsWithTheApplication(folder));
  return application;
}

/** A stream of events would wait until a block of it is full; what is packed already gains nothing. */
const isCompressed = (type: string): boolean =>
  !type.startsWith('text/event-stream') && !/^(image|audio|video|font)\/|^application\/gzip/.test(type);

const securityHeaders: Parameters<typeof helmet>[0] = {
  contentSecurityPolicy: { useDefaults: false, directives: CONTENT_SECURITY_POLICY },
  // Plain HTTP on the own machine: a browser must not be told to insist on HTTPS.
  strictTransportSecurity: false,
  referrerPolicy: { policy: 'no-referrer' },
};

/** A request that is refused gets one line, and keeps the headers that every answer has. */
const answerFaultsInOneLine: Koa.Middleware = async (context, next) => {
  try {
    await next();
  } catch (error) {
    const { status, message } = error as { readonly status?: number; readonly message?: string };
    if (status === undefined || status >= SERVER_FAULT) throw error;
    context.status = status;
    context.body = message ?? '';
  }
};

const SERVER_FAULT = 500;

/** A page that is left while it loads is no defect. */
const LEFT_BY_THE_BROWSER = ['ECONNRESET', 'EPIPE', 'ECANCELED', 'ERR_STREAM_PREMATURE_CLOSE'];

function reportDefect(error: NodeJS.ErrnoException): void {
  if (!LEFT_BY_THE_BROWSER.includes(error.code ?? '')) console.error(error);
}

function cacheByName(response: { setHeader(name: string, value: string): unknown }, path: string): void {
  const forEver = `public, max-age=${YEAR_S}, immutable`;
  response.setHeader('Cache-Control', HASHED.test(path) ? forEver : 'no-cache');
}

/** What is not a file of the build: which demo rig an empty browser is offered, and what to trust. */
function ownRoutes(demoRig: string | undefined, authority: string | undefined): Koa.Middleware {
  const router = new Router();
  router.get('/mode.json', (context) => {
    context.set('Cache-Control', 'no-store');
    context.body = demoRig ? { demoRig } : {};
  });
  router.get(AUTHORITY_PATH, (context) => {
    if (authority === undefined) return;
    context.type = 'application/x-x509-ca-cert';
    context.body = authority;
  });
  return router.routes() as Koa.Middleware;
}

/** An address of a room, opened or reloaded, is the application; a missing file stays missing. */
function answerRoomsWithTheApplication(folder: string): Koa.Middleware {
  return (context) => {
    const isRoom = ['GET', 'HEAD'].includes(context.method) && !context.path.includes('.');
    if (!isRoom) return;
    context.type = 'html';
    context.set('Cache-Control', 'no-cache');
    context.body = createReadStream(join(folder, 'index.html'));
  };
}
