import { readRigFile } from '../src/api/rig.js';
import { randomNumbers } from '../src/day/plan/random-numbers.js';
import { proposeLayout, readMeterLog } from '../src/formats/meter-log.js';
import { analyseTest } from '../src/logbook/analyse-test.js';
import { newTest } from '../src/logbook/test-edits.js';

/** A log of 50,000 lines read in and analysed, against reading its numbers alone, in one run. */
/** The file of a rig, put in by the bundler: there are no files in a browser. */
declare const DEMO_RIG: string;
const LINES = 50_000;
const TIMES = 5;

const read = readRigFile(DEMO_RIG);
if (!read.ok) throw new Error('The demo rig cannot be read');
const rig = read.value;
const random = randomNumbers(1);
const table = [
  ['time', 'power [W]', 'charge [%]', 'energy [Wh]'],
  ...Array.from({ length: LINES }, (_, line) => [
    new Date(Date.UTC(2026, 0, 1) + line * 5000).toISOString(),
    ((line % 340 < 120 ? 88 : 2) + 3 * random()).toFixed(1),
    String(Math.round(98 - line / 900)),
    String(Math.round(line / 20)),
  ]),
];

const reference = median(() =>
  table.slice(1).reduce((sum, cells) => sum + Number(cells[1]) + Date.parse(cells[0] ?? ''), 0),
);
const reading = median(() => readMeterLog(table, proposeLayout(table), () => 0, 0));
console.log(
  `read in: ${reading.toFixed(0)} ms, ${(reading / reference).toFixed(1)} times the reference (${reference.toFixed(1)} ms)`,
);
const { trace } = readMeterLog(table, proposeLayout(table), () => 0, 0);
for (const kind of ['cycling', 'run-down', 'charge', 'dish'] as const) {
  // A new test each time: what was worked out of the one before is not remembered.
  const analyse = () =>
    analyseTest(
      rig,
      { ...newTest({ id: 't', kind, question: '', begunAtS: 0, load: 'fridge' }), trace },
      0,
      '',
    );
  const began = performance.now();
  analyse();
  const first = performance.now() - began;
  const took = median(analyse);
  console.log(
    `${kind}: ${took.toFixed(0)} ms, ${(took / reference).toFixed(1)} times the reference; the first time ${first.toFixed(0)} ms`,
  );
}

function median(task: () => unknown): number {
  const times = Array.from({ length: TIMES }, () => {
    const began = performance.now();
    task();
    return performance.now() - began;
  });
  return times.sort((a, b) => a - b)[Math.floor(TIMES / 2)] ?? 0;
}
