import fc from 'fast-check';
import { loadOf } from '../../src/rig/lookup.js';
import { compile } from '../../src/system/compile.js';
import { check } from '../../src/verdict/check.js';
import { anySystem } from './any-system.js';
import { naiveSystemVerdict } from './naive-system.js';

/**
 * Compares the check with the naive one on so many random systems.
 *
 * @returns How often each verdict was given on each supply.
 * @throws Error with the smallest system that is judged differently.
 */
export function compareSystems(count: number, seed: number): ReadonlyMap<string, number> {
  const seen = new Map<string, number>();
  const property = fc.property(anySystem, ({ rig, supply, on }) => {
    const naive = naiveSystemVerdict(
      rig,
      supply,
      on.map(({ load, state }) => ({ load: loadOf(rig, load), state })),
    );
    const key = `${supply} ${naive}`;
    seen.set(key, (seen.get(key) ?? 0) + 1);
    return check(compile(rig), { supply, on }).verdict === naive;
  });
  const result = fc.check(property, { numRuns: count, seed });
  if (!result.failed) return seen;
  const [smallest] = result.counterexample ?? [];
  throw new Error(`seed ${seed}, after ${result.numRuns} systems: ${JSON.stringify(smallest)}`);
}
