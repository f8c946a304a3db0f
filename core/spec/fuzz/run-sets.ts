import fc from 'fast-check';
import type { Quantity } from '../../src/units/quantity.js';
import { bitsOf, countBits } from '../../src/sets/bits.js';
import { maximalSets } from '../../src/sets/maximal-sets.js';
import { MonotoneMemory } from '../../src/sets/monotone-memory.js';
import { countingLoads, mostWorth } from '../../src/sets/worth-bound.js';
import { runsTogether } from '../../src/sets/runs-together.js';
import { unlocked } from '../../src/check/wiring/locks.js';
import { compile } from '../../src/check/wiring/compile.js';
import { fits } from '../../src/check/fits.js';
import { situationOfAll } from '../../src/check/situation.js';
import { anySystemOf, type AnySystem } from '../naive/any-system.js';

const DEFAULT_COUNT = 100;
const MOST_LOADS = 16;
const SMALLER = 0.3;
const EDGES = ['pessimistic', 'optimistic'] as const;
const [count = DEFAULT_COUNT, seed = Date.now(), most = MOST_LOADS] = process.argv.slice(2).map(Number);

/** All largest combinations of random systems against every subset of their loads, each tested by itself. */
const began = Date.now();
let subsets = 0;
let combinations = 0;
let apart = 0;
for (const [index, system] of fc
  .sample(anySystemOf(Math.min(8, most), most), { numRuns: count, seed })
  .entries())
  for (const edge of EDGES) compare(adapted(system, index), edge, index);
const seconds = Math.round((Date.now() - began) / 1000);
console.log(`${count} systems of up to ${most} loads, seed ${seed}, both edges (${seconds} s):`);
console.log(`  ${combinations} largest combinations, as ${subsets} subsets tested one by one have them`);
console.log(`  ${apart} systems with ties were not compared in the user's favour`);

/** Small enough loads for many to run together; every other system without ties, which have a rule of their own. */
function adapted({ rig, ...rest }: AnySystem, index: number): AnySystem {
  const smaller = (quantity: Quantity | undefined): Quantity | undefined =>
    quantity && { ...quantity, value: quantity.value * SMALLER };
  const loads = rig.loads.map((load) => ({
    ...load,
    parts: load.parts.map(({ runningW, start, ...part }) => ({
      ...part,
      runningW: smaller(runningW),
      ...(start && { start: { ...start, va: smaller(start.va) } }),
    })),
  }));
  return { ...rest, rig: { ...rig, loads, ties: index % 2 === 0 ? [] : rig.ties } };
}

function compare({ rig, supply }: AnySystem, edge: (typeof EDGES)[number], index: number): void {
  // Read in the user's favour, tied loads that start as one may do better than one of them alone: no rule of parts there.
  if (edge === 'optimistic' && (rig.ties ?? []).length > 0) {
    apart += 1;
    return;
  }
  const compiled = compile(rig);
  const { loads, failingPart, budgets } = runsTogether(compiled, { supply, edge });
  const bound = mostWorth(countingLoads(loads), budgets());
  const system = compiled.on(supply);
  const passing = new Set<number>();
  for (let mask = 0; mask < 2 ** loads.length; mask += 1) {
    subsets += 1;
    const chosen = bitsOf(mask).map((bit) => loads[bit]!);
    if (unlocked(rig, chosen).keptOff.length > 0) continue;
    const on = chosen.map(({ id }) => ({ load: id }));
    const situation = situationOfAll(system, [...chosen, ...system.charging], { on });
    if (fits(situation, situation.consumers, edge, 'best', ({ kind }) => kind !== 'neutral'))
      passing.add(mask);
  }
  const maximal = [...passing].filter((mask) =>
    loads.every((_, bit) => (mask & (1 << bit)) !== 0 || !passing.has(mask | (1 << bit))),
  );
  const found = [...maximalSets(loads.length, new MonotoneMemory(failingPart))].sort((a, b) => a - b);
  combinations += found.length;
  const ruledOut = [...passing].filter((mask) => bound(mask, mask) < countBits(mask));
  if (found.join() === maximal.sort((a, b) => a - b).join() && ruledOut.length === 0) return;
  console.error(
    `seed ${seed}, system ${index}, ${edge}: found ${found.join(' ')}, every subset ${maximal.join(' ')}, ruled out ${ruledOut.join(' ')}`,
  );
  console.error(JSON.stringify({ rig, supply }));
  process.exit(1);
}
