import { compile } from '../src/api/check.js';
import type { Rig } from '../src/api/rig.js';
import { combinationsOf } from '../src/api/compute.js';
import { bitAt, bitsOf, countBits, union } from '../src/sets/bits.js';
import { maximalSets } from '../src/sets/maximal-sets.js';
import { MonotoneMemory } from '../src/sets/monotone-memory.js';
import { runsTogether } from '../src/sets/runs-together.js';
import { countingLoads, mostWorth } from '../src/sets/worth-bound.js';
import { fits } from '../src/check/fits.js';
import { situationOfAll } from '../src/check/situation.js';
import { milpSolver, mostTogether } from '../spec/sets/best-set-by-milp.js';
import { scalarRig, scalarRigAsRig } from '../spec/sets/scalar-rigs.js';
import { largeRig } from './large-rig.js';

/**
 * All largest combinations against every subset tested by itself and against plain backtracking, which knows that a part of
 * what holds holds and remembers nothing; and the best set against HiGHS on rigs without doubts. Ratios in one run.
 */
const SUPPLY = 'battery';
const SAMPLED = 3000;
const BACKTRACKING_MS = 20_000;

for (const count of [16, 20, 24]) {
  const compiled = compile(largeRig(count));
  const plain = plainTest(compiled);
  const found = timed(() => {
    const { loads, failingPart } = runsTogether(compiled, { supply: SUPPLY, edge: 'pessimistic' });
    return [...maximalSets(loads.length, new MonotoneMemory(failingPart))].length;
  });
  const all = 2 ** plain.count;
  const sampled = timed(() => {
    for (let index = 0; index < SAMPLED; index += 1) plain.test(Math.floor((index * all) / SAMPLED));
    return SAMPLED;
  });
  const everySubset = (sampled.ms / SAMPLED) * all;
  console.log(`${plain.count} loads: ${found.value} largest combinations in ${found.ms.toFixed(0)} ms`);
  console.log(`  every subset   ${times(everySubset, found.ms)} as long, by ${SAMPLED} of ${all} subsets`);
  const tried = backtracking(plain);
  console.log(
    `  backtracking   ${tried.isWhole ? '' : 'more than '}${times(tried.ms, found.ms)} as long, ${tried.tests} sets tested`,
  );
}

const solver = await milpSolver();
for (const count of [24, 30, 40]) {
  const scalar = scalarRig(count);
  const rig: Rig = scalarRigAsRig(scalar);
  const ours = timed(() => largestOf(rig));
  const theirs = timed(() => mostTogether(solver, scalar));
  console.log(`${count} loads without doubts, the most together: ${ours.value} and by HiGHS ${theirs.value}`);
  console.log(`  HiGHS          ${times(theirs.ms, ours.ms)} as long (${theirs.ms.toFixed(0)} ms)`);
}
const tern = compile(largeRig(15));
const whole = timed(() => combinationsOf(tern, { supply: SUPPLY, edge: 'pessimistic' }).found.length);
let first = 0;
const began = performance.now();
combinationsOf(tern, { supply: SUPPLY, edge: 'pessimistic' }, () => (first ||= performance.now() - began));
console.log(
  `Tern, ${whole.value} combinations with their verdicts: ${whole.ms.toFixed(0)} ms, the first after ${first.toFixed(0)} ms`,
);

function largestOf(rig: Rig): number {
  const { loads, failingPart, budgets } = runsTogether(compile(rig), { supply: SUPPLY, edge: 'pessimistic' });
  const worths = countingLoads(loads);
  const ranking = { worths, bound: mostWorth(worths, budgets()), most: 1 };
  const sets = [...maximalSets(loads.length, new MonotoneMemory(failingPart), 0, ranking)];
  return Math.max(0, ...sets.map(countBits));
}

interface Plain {
  readonly count: number;
  readonly test: (mask: number) => boolean;
}

/** Each set by itself, with nothing remembered. */
function plainTest(compiled: ReturnType<typeof compile>): Plain {
  const system = compiled.on(SUPPLY);
  const { loads } = runsTogether(compiled, { supply: SUPPLY, edge: 'pessimistic' });
  return {
    count: loads.length,
    test: (mask) => {
      const chosen = bitsOf(mask).flatMap((bit) => loads[bit] ?? []);
      const on = chosen.map(({ id }) => ({ load: id }));
      const situation = situationOfAll(system, [...chosen, ...system.charging], { on });
      return fits(situation, situation.consumers, 'pessimistic');
    },
  };
}

/** Every set that holds, one load after the other, for as long as there is patience. */
function backtracking({ count, test }: Plain) {
  const start = performance.now();
  let tests = 0;
  let isWhole = true;
  const grow = (from: number, mask: number): void => {
    for (let place = from; place < count && isWhole; place += 1) {
      tests += 1;
      if (tests % 256 === 0 && performance.now() - start > BACKTRACKING_MS) isWhole = false;
      if (test(union(mask, bitAt(place)))) grow(place + 1, union(mask, bitAt(place)));
    }
  };
  grow(0, 0);
  return { tests, isWhole, ms: performance.now() - start };
}

/** The second run counts: the first is that of cold code. */
function timed<T>(run: () => T): { readonly value: T; readonly ms: number } {
  run();
  const start = performance.now();
  const value = run();
  return { value, ms: performance.now() - start };
}

function times(theirs: number, ours: number): string {
  return `${(theirs / ours).toFixed(1)} times`;
}
