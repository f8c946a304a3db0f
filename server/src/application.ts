import Router from '@koa/router';
import Koa from 'koa';
import compress from 'koa-compress';
import helmet from 'koa-helmet';
import serve from 'koa-static';
import { createReadStream } from 'node:fs';
import { join } from 'node:path';

export interface ApplicationOptions {
  /** Folder of the built application. */
  readonly folder: string;
  /** The demo rig that an empty book is offered at the first visit, if any. */
  readonly demoRig: string | undefined;
}

const YEAR_S = 31_536_000;
const COMPRESS_FROM_BYTES = 1024;

/** The build names a file by a hash of its content: only such a file can be kept for ever. */
const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2?)$/;

/**
 * Serves the built application. It holds no data of the user: rigs stay in the browser.
 */
export function createApplication({ folder, demoRig }: ApplicationOptions): Koa {
  const application = new Koa();
  application.use(helmet(securityHeaders));
  application.use(compress({ threshold: COMPRESS_FROM_BYTES }));
  application.use(modeRoutes(demoRig));
  application.use(serve(folder, { setHeaders: cacheByName }));
  application.use(answerRoomsWithTheApplication(folder));
  return application;
}

const securityHeaders: Parameters<typeof helmet>[0] = {
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      baseUri: ["'self'"],
      scriptSrc: ["'self'"],
      scriptSrcAttr: ["'none'"],
      styleSrc: ["'self'", "'unsafe-inline'"],
      imgSrc: ["'self'", 'data:', 'blob:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      manifestSrc: ["'self'"],
      objectSrc: ["'none'"],
      frameAncestors: ["'none'"],
      formAction: ["'self'"],
    },
  },
  // Plain HTTP on the own machine: a browser must not be told to insist on HTTPS.
  strictTransportSecurity: false,
  referrerPolicy: { policy: 'no-referrer' },
};

function cacheByName(response: { setHeader(name: string, value: string): unknown }, path: string): void {
  const forEver = `public, max-age=${YEAR_S}, immutable`;
  response.setHeader('Cache-Control', HASHED.test(path) ? forEver : 'no-cache');
}

/** What the application asks once at its start: which demo rig to put into an empty book. */
function modeRoutes(demoRig: string | undefined): Koa.Middleware {
  const router = new Router();
  router.get('/mode.json', (context) => {
    context.set('Cache-Control', 'no-store');
    context.body = demoRig ? { demoRig } : {};
  });
  return router.routes() as Koa.Middleware;
}

/** An address of a room, opened or reloaded, is the application; a missing file stays missing. */
function answerRoomsWithTheApplication(folder: string): Koa.Middleware {
  return (context) => {
    const isRoom = context.method === 'GET' && !context.path.includes('.');
    if (!isRoom) return;
    context.type = 'html';
    context.set('Cache-Control', 'no-cache');
    context.body = createReadStream(join(folder, 'index.html'));
  };
}
