import fc from 'fast-check';
import type { Load, Rig } from '../../src/rig-file/schema.js';
import { check, type CheckResult } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { runningThrough } from '../../src/check/wiring/flow.js';
import { RunningSet, runningSum } from '../../src/check/wiring/running-set.js';
import { powerFlowsOf } from '../../src/outlook/supply/power-flows.js';
import { always } from '../always.js';
import { exampleRig, on } from '../example-rig.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';
import { compareVerdicts } from '../../src/check/verdict.js';

const demoRigs = DEMO_NAMES.map(demoRig);
const tern = demoRig('tern');

const ids = tern.loads.map((load) => load.id);
const anySet = fc.tuple(fc.subarray(ids), fc.constantFrom(...tern.supplies.map((supply) => supply.id)));

const answer = (rig: Rig, supply: string, set: readonly string[]): CheckResult =>
  check(compile(rig), { supply, on: on(...set) });

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
    always(
      fc.property(anySet, ([set, supply]) => {
        const other = answer(
          renamed,
          supply,
          [...set].reverse().map((id) => `z-${id}`),
        );
        expect(essence(other)).toEqual(essence(answer(tern, supply, set)));
      }),
      { numRuns: 40 },
    );
  });

  it('is the same for a heater and for its two halves that share a cause (JCGM 100:2008, 5.2.2)', () => {
    const half = (load: Load, name: string): Load => ({
      ...load,
      id: `${load.id}-${name}`,
      parts: load.parts.map((part) => ({
        ...part,
        runningW: {
          ...part.runningW!,
          value: part.runningW!.value / 2,
          commonCause: `halves of ${load.id}`,
        },
      })),
    });
    const heaters = ['glue-pot', 'bending-iron', 'kettle', 'oven'];
    const halved: Rig = {
      ...tern,
      loads: tern.loads.flatMap((load) =>
        heaters.includes(load.id) ? [half(load, 'a'), half(load, 'b')] : [load],
      ),
    };
    always(
      fc.property(anySet, ([set, supply]) => {
        const split = set.flatMap((id) => (heaters.includes(id) ? [`${id}-a`, `${id}-b`] : [id]));
        expect(essence(answer(halved, supply, split))).toEqual(essence(answer(tern, supply, set)));
      }),
      { numRuns: 40 },
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
    always(
      fc.property(fc.subarray(ids), (set) => {
        expect(essence(answer(at(2), 'battery', set))).toEqual(essence(answer(at(1), 'battery', set)));
      }),
      { numRuns: 40 },
    );
  });

  it('never gets better with more doubt, nor worse at the optimistic edge (methods.md, rules 2 and 3)', () => {
    always(
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
                      ...part.runningW!,
                      minus: part.runningW!.value * 0.6,
                      plus: part.runningW!.value * 0.6,
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
      { numRuns: 60 },
    );
  });
});

describe('the watts of a set', () => {
  it('balance to rounding on every demo rig and supply: source and inverters give what runs and what charges (physics)', () => {
    for (const rig of demoRigs) {
      const set = fc.subarray(rig.loads.map((load) => load.id));
      const supply = fc.constantFrom(...rig.supplies.map(({ id }) => id));
      always(
        fc.property(set, supply, (on_, id) => {
          const result = answer(rig, id, on_);
          const running = [...result.selfStarting, ...result.order];
          const isOnAc = ({ load }: (typeof running)[number]) =>
            rig.circuits.some(
              ({ id: circuit, bus }) =>
                circuit === load.circuit && rig.buses.find((each) => each.id === bus)?.kind === 'ac',
            );
          const wanted = runningSum(running.filter(isOnAc)).watts.stated;
          const { fromSourceW, toChargeW } = powerFlowsOf(result);
          const fromInverters = result.elements
            .filter((element) => element.kind === 'inverter')
            .reduce((sum, element) => sum + runningThrough(element, new RunningSet(running)).watts.stated, 0);
          return Math.abs(fromSourceW - toChargeW + fromInverters - wanted) < 1e-6 * (1 + wanted);
        }),
        { numRuns: 40 },
      );
    }
  });
});

describe('more loads', () => {
  it('never make anything better, at either edge, on any demo rig that drops nothing (architecture.md, monotone)', () => {
    const plain = demoRigs.filter((rig) => !rig.shedders && !rig.locks);
    expect(plain.length).toBe(2);
    for (const rig of plain) {
      const set = fc.subarray(rig.loads.map((load) => load.id));
      const supply = fc.constantFrom(...rig.supplies.map(({ id }) => id));
      always(
        fc.property(set, set, supply, (some, more, id) => {
          const fewer = answer(rig, id, some).verdict;
          const all = answer(rig, id, [...new Set([...some, ...more])]).verdict;
          return compareVerdicts(fewer, all) <= 0;
        }),
        { numRuns: 40 },
      );
    }
  });

  it('may help where they drop another one, and a higher input limit helps the inverter and hurts the post (not monotone)', () => {
    const loads = { heater: { w: 3000 }, oven: { w: 1500 } };
    const dropping: Rig = {
      ...exampleRig(loads, { watts: 2000 }),
      shedders: [{ name: 'Shedder', watches: 'oven', drops: 'heater' }],
    };
    expect(answer(dropping, 'battery', ['heater']).verdict).toBe('trips');
    expect(answer(dropping, 'battery', ['heater', 'oven']).verdict).toBe('holds');

    const limited = (inputLimitA: number): Rig => {
      const rig = exampleRig(loads, { watts: 2400, shoreA: 20 });
      return {
        ...rig,
        converters: rig.converters.map((each) => ({ ...each, canAssist: 'yes' as const })),
        supplies: rig.supplies.map((each) =>
          each.id === 'shore' ? { ...each, assist: 'on' as const, inputLimitA } : each,
        ),
      };
    };
    const verdicts = [10, 19, 30].map((amps) => answer(limited(amps), 'shore', ['heater', 'oven']).verdict);
    expect(verdicts).toEqual(['trips', 'holds', 'trips']);
  });
});
