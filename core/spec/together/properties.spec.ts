import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { readRigFile } from '../../src/formats/rig-file.js';
import type { Load, Rig } from '../../src/rig/schema.js';
import { check, type CheckResult } from '../../src/together/check.js';
import { on } from '../example-rig.js';

const tern = ((): Rig => {
  const read = readRigFile(readFileSync(new URL('../../../demo/tern.json', import.meta.url), 'utf8'));
  if (!read.ok) throw new Error('The demo rig cannot be read');
  return read.value;
})();

const ids = tern.loads.map((load) => load.id);
const anySet = fc.tuple(fc.subarray(ids), fc.constantFrom(...tern.supplies.map((supply) => supply.id)));

const answer = (rig: Rig, supply: string, set: readonly string[]): CheckResult =>
  check(rig, { supply, on: on(...set) });

/** What must not depend on names or notation: verdict, and headroom of each limit as a share. */
const essence = ({ verdict, limits }: CheckResult) => ({
  verdict,
  shares: limits.map((limit) => `${limit.kind} ${limit.verdict} ${limit.loading.toFixed(9)}`).sort(),
});

describe('a result', () => {
  it('does not depend on ids or on the order of the lists', () => {
    const renamed: Rig = {
      ...tern,
      loads: tern.loads.map((load) => ({ ...load, id: `z-${load.id}` })).reverse(),
      circuits: [...tern.circuits].reverse(),
    };
    fc.assert(
      fc.property(anySet, ([set, supply]) => {
        const other = answer(
          renamed,
          supply,
          [...set].reverse().map((id) => `z-${id}`),
        );
        expect(essence(other)).toEqual(essence(answer(tern, supply, set)));
      }),
      { numRuns: 60 },
    );
  });

  it('is the same for a heater and for its two halves that share a cause (JCGM 100:2008, 5.2.2)', () => {
    const half = (load: Load, name: string): Load => ({
      ...load,
      id: `${load.id}-${name}`,
      parts: load.parts.map((part) => ({
        ...part,
        runningW: { ...part.runningW, value: part.runningW.value / 2, commonCause: `halves of ${load.id}` },
      })),
    });
    const heaters = ['glue-pot', 'bending-iron', 'kettle', 'oven'];
    const halved: Rig = {
      ...tern,
      loads: tern.loads.flatMap((load) =>
        heaters.includes(load.id) ? [half(load, 'a'), half(load, 'b')] : [load],
      ),
    };
    fc.assert(
      fc.property(anySet, ([set, supply]) => {
        const split = set.flatMap((id) => (heaters.includes(id) ? [`${id}-a`, `${id}-b`] : [id]));
        expect(essence(answer(halved, supply, split))).toEqual(essence(answer(tern, supply, set)));
      }),
      { numRuns: 60 },
    );
  });

  it('is the same at twice the volts with half-size breakers of the same curve (physics: I = S / V)', () => {
    // 30 A and less share the constants of their curve, so the comparison keeps to such sizes
    const at = (factor: number): Rig => ({
      ...tern,
      buses: tern.buses.map((bus) => (bus.kind === 'ac' ? { ...bus, volts: bus.volts * factor } : bus)),
      sources: tern.sources.map(({ breaker: _, ...source }) => source as Rig['sources'][number]),
      converters: tern.converters.map(
        ({ outputBreaker: _, ...converter }) => converter as Rig['converters'][number],
      ),
      circuits: tern.circuits.map((circuit) =>
        circuit.bus === 'dc'
          ? circuit
          : { ...circuit, protection: { ...circuit.protection, amps: circuit.protection.amps / factor } },
      ),
      loads: tern.loads.map(({ cord: _, ...load }) => load as Load),
    });
    fc.assert(
      fc.property(fc.subarray(ids), (set) => {
        expect(essence(answer(at(2), 'battery', set))).toEqual(essence(answer(at(1), 'battery', set)));
      }),
      { numRuns: 60 },
    );
  });

  it('never gets better with more doubt, nor worse at the optimistic edge (methods.md, rules 2 and 3)', () => {
    fc.assert(
      fc.property(anySet, fc.constantFrom(...ids), ([set, supply], id) => {
        const doubtful: Rig = {
          ...tern,
          loads: tern.loads.map((load) =>
            load.id === id
              ? {
                  ...load,
                  parts: load.parts.map((part) => ({
                    ...part,
                    runningW: {
                      ...part.runningW,
                      minus: part.runningW.value * 0.6,
                      plus: part.runningW.value * 0.6,
                    },
                  })),
                }
              : load,
          ),
        };
        const before = answer(tern, supply, set).verdict;
        const after = answer(doubtful, supply, set).verdict;
        if (before === 'tight') expect(after).toBe('tight');
        if (before === 'holds') expect(after).not.toBe('trips');
      }),
      { numRuns: 100 },
    );
  });
});
