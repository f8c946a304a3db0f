import { compile } from '../src/index.js';
import { maximalSets } from '../src/sets/maximal-sets.js';
import { MonotoneMemory } from '../src/sets/monotone-memory.js';
import { runsTogether } from '../src/sets/runs-together.js';
import { largeRig } from './large-rig.js';

/**
 * All largest combinations against every subset tried with the same test, and against plain backtracking, which
 * knows that a part of what holds holds and remembers nothing. Counts of tests and ratios, in one run.
 */
const BRUTE_UP_TO = 12;

for (const count of [10, 12, 14, 16]) {
  const compiled = compile(largeRig(count));
  const { loads, test } = runsTogether(compiled, { supply: 'battery', edge: 'pessimistic' });
  let tests = 0;
  const ours = timed(() => {
    const memory = new MonotoneMemory(test);
    const { length } = [...maximalSets(loads.length, memory)];
    tests = memory.tests;
    return length;
  });
  const plain = timed(() => backtracking(loads.length, test));
  const brute = count > BRUTE_UP_TO ? undefined : timed(() => everySubset(loads.length, test));
  console.log(`${loads.length} loads: ${ours.found} largest combinations`);
  console.log(`  remembered      ${tests} tests, ${ours.ms.toFixed(0)} ms`);
  console.log(`  backtracking    ${plain.found} tests, ${(plain.ms / ours.ms).toFixed(1)} times as long`);
  if (brute)
    console.log(`  every subset    ${brute.found} tests, ${(brute.ms / ours.ms).toFixed(1)} times as long`);
}

/** The second run counts: the first is that of cold code. */
function timed(run: () => number): { readonly found: number; readonly ms: number } {
  run();
  const began = performance.now();
  const found = run();
  return { found, ms: performance.now() - began };
}

/** Every set that holds, one load after the other; tells how many it tested. */
function backtracking(count: number, test: (mask: number) => boolean): number {
  let tests = 0;
  const grow = (from: number, mask: number): void => {
    for (let place = from; place < count; place += 1) {
      tests += 1;
      if (test(mask | (1 << place))) grow(place + 1, mask | (1 << place));
    }
  };
  grow(0, 0);
  return tests;
}

function everySubset(count: number, test: (mask: number) => boolean): number {
  for (let mask = 0; mask < 2 ** count; mask += 1) test(mask);
  return 2 ** count;
}
