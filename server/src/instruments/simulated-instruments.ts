import Router from '@koa/router';
import { problemLines, readRigFile, type Rig } from '@heliarch/core/rig';
import {
  SCENARIOS,
  simulatedHeader,
  simulatedSamples,
  type FeedSample,
  type ScenarioId,
} from '@heliarch/core/instruments';
import type Koa from 'koa';
import { readdirSync, readFileSync } from 'node:fs';
import { PassThrough } from 'node:stream';
import { fileURLToPath } from 'node:url';

const DEMO_RIGS = fileURLToPath(new URL('../../../demo/', import.meta.url));
const USUAL_RIG = 'tern';
const EVERY_MS = 1000;
/** A reader that comes back within this goes on where it was, s. */
const MOST_CAUGHT_UP_S = 600;
const MOST_READERS = 20;
const RETRY_MS = 2000;
const TOO_MANY = 503;

/**
 * Simulated instruments of a demo rig, as server-sent events (WHATWG HTML, 9.2): one `header`, then a `sample` a second, in
 * the format of docs/instruments.md. The id of each event says when the simulation began, so that a reader that was cut off
 * goes on in the same scenario.
 *
 * GET /instruments?scenario=shore-lost[&rig=tern][&begun=seconds since 1970]
 */
export function simulatedInstruments(demoRig: string | undefined): Koa.Middleware {
  const router = new Router();
  let readers = 0;
  router.get('/instruments', (context) => {
    const scenario = SCENARIOS.find((each) => each === context.query['scenario']);
    const rig = rigNamed(String(context.query['rig'] ?? demoRig ?? USUAL_RIG));
    if (!scenario) return context.throw(400, `scenario: give one of ${SCENARIOS.join(', ')}.`);
    if (!rig) return context.throw(400, 'rig: give one of the demo rigs.');
    if (readers >= MOST_READERS) return context.throw(TOO_MANY, 'Too many read these instruments already.');
    const asked = Number(context.get('Last-Event-ID') || context.query['begun']);
    const stream = new PassThrough();
    readers += 1;
    const stop = feed(stream, rig, scenario, asked);
    stream.on('close', () => {
      readers -= 1;
      stop();
    });
    context.type = 'text/event-stream';
    context.set('Cache-Control', 'no-store');
    context.body = stream;
  });
  return router.routes() as Koa.Middleware;
}

/** Writes the events until it is stopped. */
function feed(stream: PassThrough, rig: Rig, scenario: ScenarioId, askedS: number): () => void {
  const nowS = Math.floor(Date.now() / EVERY_MS);
  const begunS = nowS - askedS >= 0 && nowS - askedS <= MOST_CAUGHT_UP_S ? askedS : nowS;
  const samples = simulatedSamples(rig, scenario, begunS, begunS);
  for (let second = begunS; second < nowS; second += 1) samples.next();
  const write = (event: string, data: unknown): void => {
    stream.write(`event: ${event}\nid: ${begunS}\ndata: ${JSON.stringify(data)}\n\n`);
  };
  stream.write(`retry: ${RETRY_MS}\n\n`);
  write('header', simulatedHeader(rig, scenario));
  const next = (): void => write('sample', samples.next().value satisfies FeedSample);
  next();
  const timer = setInterval(next, EVERY_MS);
  return () => clearInterval(timer);
}

/** A demo rig by the name of its file; undefined where there is none. */
function rigNamed(name: string): Rig | undefined {
  if (!readdirSync(DEMO_RIGS).includes(`${name}.json`)) return undefined;
  const read = readRigFile(readFileSync(`${DEMO_RIGS}${name}.json`, 'utf8'));
  if (!read.ok) throw new Error(`${name}: ${problemLines(read.problems).join(' ')}`);
  return read.value;
}
