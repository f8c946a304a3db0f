import type { Consumer } from '../src/loads/consumer.js';
import { check, compile, outlooksOf, type CheckScene } from '../src/api/check.js';
import type { Rig } from '../src/api/rig.js';
import { situationOf } from '../src/check/situation.js';
import { hasStart } from '../src/loads/start/joined-start.js';
import { unplannedLoadsOf } from '../src/outlook/unplanned-load.js';
import { passesAt } from '../src/check/order/start-order.js';
import { largeRig } from './large-rig.js';

/**
 * check() and all outlooks, against the reference in the same run: a dynamic programme over all
 * subsets of the loads with a start, which finds by itself whether any order passes. Ratios, not
 * milliseconds, are what can be compared between machines.
 */
const RUNS_FOR_MS = 400;
const SHARE_ON = 3;

for (const loads of [12, 24, 40]) {
  const rig = startedByHand(largeRig(loads));
  const scene: CheckScene = { supply: 'battery', on: everyThird(rig) };
  const { consumers } = situationOf(compile(rig).on(scene.supply), scene);
  const spiky = consumers.filter((consumer) => hasStart(consumer) && consumer.load.usage !== 'by-itself');
  const reference = timed(() => subsetProgramme(rig, scene));
  const checking = timed(() => check(compile(rig), scene));
  const outlooks = timed(() => outlooksOf(compile(rig), scene));
  const told = (ms: number) => `${ms.toFixed(2)} ms, ${(ms / reference).toFixed(2)} of the reference`;
  console.log(`${loads} loads, ${scene.on.length} on, ${spiky.length} with a start by hand`);
  console.log(`  subset programme  ${reference.toFixed(2)} ms`);
  console.log(`  check             ${told(checking)}`);
  console.log(`  all outlooks      ${told(outlooks)}`);
}

/**
 * How each question grows with the loads of a rig, all of them on or a third: in milliseconds, in checks of 12
 * loads, and as the power of the number of loads that it grew with since the size before.
 */
const SIZES = [12, 40, 120, 300] as const;
let unit: number | undefined;
let before: ReadonlyMap<string, number> = new Map();
for (const [index, loads] of SIZES.entries()) {
  const rig = largeRig(loads);
  const compiled = compile(rig);
  const all: CheckScene = { supply: 'battery', on: rig.loads.map(({ id }) => ({ load: id })) };
  const third: CheckScene = { supply: 'battery', on: everyThird(rig) };
  const onEverySupply = () => {
    const anew = compile(rig);
    return rig.supplies.map(({ id }) => check(anew, { ...third, supply: id }));
  };
  const times = new Map([
    ['check, all on', timed(() => check(compiled, all))],
    ['check, a third on', timed(() => check(compiled, third))],
    ['outlook of the others', timed(() => outlooksOf(compiled, third))],
    ['an unplanned load', timed(() => unplannedLoadsOf(rig, third))],
    ['on every supply', timed(onEverySupply)],
  ]);
  unit ??= times.get('check, all on') ?? 1;
  console.log(`${loads} loads`);
  for (const [question, ms] of times) {
    const grown = Math.log(ms / (before.get(question) ?? ms)) / Math.log(loads / (SIZES[index - 1] ?? loads));
    const power = index === 0 ? '' : `, grew with the power ${grown.toFixed(1)}`;
    console.log(`  ${question}  ${ms.toFixed(1)} ms, ${(ms / unit).toFixed(1)} checks of 12${power}`);
  }
  before = times;
}

/** Loads that start by themselves have no order: for the comparison all are switched by hand. */
function startedByHand(rig: Rig): Rig {
  return { ...rig, loads: rig.loads.map((load) => ({ ...load, usage: 'left-on' as const })) };
}

function everyThird(rig: Rig): CheckScene['on'] {
  return rig.loads.filter((_, index) => index % SHARE_ON === 0).map((load) => ({ load: load.id }));
}

/** Whether some order passes, by the loads that can be running before each start. */
function subsetProgramme(rig: Rig, scene: CheckScene): boolean {
  const { consumers, test } = situationOf(compile(rig).on(scene.supply), scene);
  const floor = consumers.filter((consumer) => consumer.load.usage === 'by-itself');
  const spiky = consumers.filter((consumer) => hasStart(consumer) && consumer.load.usage !== 'by-itself');
  const reachable = new Uint8Array(2 ** spiky.length);
  reachable[0] = 1;
  for (let set = 0; set < reachable.length; set += 1) {
    if (!reachable[set]) continue;
    const running = [...floor, ...spiky.filter((_, index) => set & (1 << index))];
    spiky.forEach((consumer: Consumer, index) => {
      const next = set | (1 << index);
      if (next !== set && !reachable[next] && passesAt(test(running, consumer), 'optimistic'))
        reachable[next] = 1;
    });
  }
  return reachable[reachable.length - 1] === 1;
}

/** Milliseconds of one run: the median of as many as fit. */
function timed(run: () => unknown): number {
  run();
  const times: number[] = [];
  for (const began = performance.now(); performance.now() - began < RUNS_FOR_MS;) {
    const start = performance.now();
    run();
    times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
}
