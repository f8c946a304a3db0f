import { TYPICAL_LOADS } from '../../src/reference/typical-loads.js';
import { rigFromAnswers } from '../../src/first-run/rig-from-answers.js';
import type { Converter, Load, Rig } from '../../src/rig/schema.js';
import { compile } from '../../src/system/compile.js';
import { check } from '../../src/verdict/check.js';
import { on } from '../example-rig.js';

/**
 * Ordinary systems with only what a newcomer knows: nameplates, and the usual values of the kinds. Answers that
 * any practitioner gives without a calculator: common practice, no published source.
 */
interface System {
  readonly volts?: number;
  readonly batteryV?: number;
  readonly inverterW?: number;
  readonly tiers?: readonly (readonly [va: number, seconds: number])[];
  /** A post, and what charges from it. */
  readonly post?: {
    readonly amps: number;
    readonly curve?: 'ul-489' | 'iec-60898-b';
    readonly chargeA?: number;
  };
}

const kind = (id: string) => {
  const found = TYPICAL_LOADS.find((each) => each.id === id);
  if (!found) throw new Error(`No such kind: ${id}`);
  return found;
};
type Change = (load: Load) => Load;
const plate =
  (watts: number): Change =>
  (load) => ({
    ...load,
    parts: load.parts.map((part) => ({ ...part, runningW: { value: watts, basis: 'nameplate' } })),
  });
const softStarted: Change = (load) => ({
  ...load,
  parts: load.parts.map((part, index) => (index === 0 ? { ...part, start: { soft: {} } } : part)),
});
const lasting =
  (minutes: number): Change =>
  (load) => ({ ...load, runsMinutes: minutes });

function charger(amps: number): Converter {
  return {
    id: 'charger',
    name: 'Battery charger',
    kind: 'charger',
    from: 'inlet',
    to: 'dc',
    continuousW: { value: 1000, basis: 'nameplate' },
    continuousVA: { value: 1500, basis: 'nameplate' },
    tiers: [],
    chargeA: amps,
  };
}

/** Each load on a breaker of its own, so that the source decides. */
function rigOf(system: System, loads: readonly (readonly [id: string, ...changes: Change[]])[]): Rig {
  const { volts = 120, batteryV = 12.8, inverterW = 3000, tiers, post } = system;
  const base = rigFromAnswers({
    name: 'Everyday',
    mains: volts === 230 ? 'eu-230' : 'na-120',
    batteryV,
    batteryAh: 400,
    chemistry: 'lfp',
    inverterW,
    inverterVA: inverterW,
    hookups: post ? [{ amps: post.amps }] : [],
    circuits: loads.map((_, index) => ({ name: `Circuit ${index + 1}`, amps: 20 })),
    loads: loads.map(([id], index) => ({ kind: kind(id), circuit: index })),
  });
  return {
    ...base,
    loads: base.loads.map((load, index) =>
      loads[index]!.slice(1).reduce<Load>((changed, change) => (change as Change)(changed), load),
    ),
    converters: [
      ...base.converters.map((converter) => ({
        ...converter,
        ...(tiers && {
          tiers: tiers.map(([va, seconds]) => ({
            limit: { value: va, basis: 'nameplate' as const },
            unit: 'VA' as const,
            seconds,
          })),
        }),
      })),
      ...(post?.chargeA === undefined ? [] : [charger(post.chargeA)]),
    ],
    supplies: base.supplies.map((supply) =>
      supply.sources.length === 0
        ? supply
        : {
            ...supply,
            charging: post?.chargeA === undefined ? 'off' : 'on',
            breaker: { amps: post?.amps ?? 0, curve: post?.curve ?? 'ul-489' },
          },
    ),
  };
}

const USUAL: System = {
  tiers: [
    [4500, 5],
    [6000, 0.02],
  ],
};
const post = (amps: number, chargeA?: number): System => ({
  ...USUAL,
  post: { amps, ...(chargeA !== undefined && { chargeA }) },
});
const PITCH: System = { ...USUAL, volts: 230, post: { amps: 10, curve: 'iec-60898-b' } };

/** The verdict, and which way a Tight one leans. */
function answer(system: System, ...loads: readonly (readonly [id: string, ...changes: Change[]])[]): string {
  const rig = rigOf(system, loads);
  const supply = system.post ? 'shore' : 'battery';
  const { verdict, lean, limits } = check(compile(rig), { supply, on: on(...rig.loads.map(({ id }) => id)) });
  if (verdict !== 'tight') return verdict;
  if (!lean) return `tight: ${limits[0]?.kind}`;
  return lean.odds === 'almost-surely-trips' ? 'tight: almost surely trips' : `tight: ${lean.leans}`;
}

const AIR = 'roof-air-large';
const TRIPS = ['trips', 'tight: would-trip', 'tight: almost surely trips'];
const HOLDS = ['holds', 'tight: should-hold'];

describe('an ordinary system gets the answer that any practitioner gives (common practice, no published source)', () => {
  const cases: readonly (readonly [string, readonly string[], string])[] = [
    ['a household refrigerator on battery holds', ['holds'], answer(USUAL, ['refrigerator'])],
    ['a kettle beside it holds', ['holds'], answer(USUAL, ['kettle', plate(1500)], ['refrigerator'])],
    [
      'a microwave oven of 1,500 W with transformer holds',
      ['holds'],
      answer(USUAL, ['microwave', plate(1500)]),
    ],
    [
      'the microwave oven and the kettle do not hold',
      ['trips', 'tight: would-trip', 'tight: should-hold', 'tight: almost surely trips'],
      answer(USUAL, ['microwave', plate(1500)], ['kettle', plate(1500)]),
    ],
    [
      'a coffee maker of 900 W and a toaster of 850 W hold',
      ['holds'],
      answer(USUAL, ['coffee-maker', plate(900)], ['toaster', plate(850)]),
    ],
    ['a refrigerator on an inverter of 300 W trips it', TRIPS, answer({ inverterW: 300 }, ['refrigerator'])],
    [
      'an air conditioner without soft starter trips 2,000 W',
      TRIPS,
      answer({ inverterW: 2000, tiers: [[4000, 5]] }, [AIR]),
    ],
    ['an air conditioner with soft starter runs on battery', HOLDS, answer(USUAL, [AIR, softStarted])],
    ['a saw of 1.5 hp does not start on battery', TRIPS, answer(USUAL, ['cabinet-saw'])],
    [
      'a pump of half a horsepower holds on 5 kW and 48 V',
      ['holds'],
      answer({ inverterW: 5000, batteryV: 51.2, tiers: [[10_000, 5]] }, ['water-pump']),
    ],
    [
      'an induction hob of 1,800 W runs on 2,000 W',
      HOLDS,
      answer({ inverterW: 2000 }, ['induction-hob', plate(1800)]),
    ],
    ['an air conditioner holds on a 30 A post', ['holds'], answer(post(30), [AIR])],
    [
      'an air conditioner and a microwave oven run on a 30 A post',
      HOLDS,
      answer(post(30), [AIR], ['microwave', plate(1500)]),
    ],
    [
      'not beside a charger of 55 A',
      [...TRIPS, 'tight: should-hold'],
      answer(post(30, 55), [AIR], ['microwave', plate(1500)]),
    ],
    [
      'a heater of 1,500 W and a charger of 55 A trip a 15 A outlet',
      TRIPS,
      answer(post(15, 55), ['space-heater', plate(1500)]),
    ],
    [
      'two heaters of 1,500 W trip a 15 A outlet',
      ['trips', 'tight: almost surely trips'],
      answer(post(15), ['space-heater', plate(1500)], ['oil-radiator', plate(1500)]),
    ],
    [
      'a heater of 1,500 W holds on a 15 A outlet for two hours',
      ['holds'],
      answer(post(15), ['space-heater', plate(1500), lasting(120)]),
    ],
    [
      'for four hours it is over the continuous rule',
      ['tight: continuous-rule'],
      answer(post(15), ['space-heater', plate(1500), lasting(240)]),
    ],
    ['a kettle of 2,200 W runs on a 10 A pitch', HOLDS, answer(PITCH, ['kettle-230', plate(2200)])],
    [
      'a heater of 1,500 W beside it trips the pitch',
      TRIPS,
      answer(PITCH, ['kettle-230', plate(2200)], ['space-heater', plate(1500)]),
    ],
  ];
  for (const [says, expected, got] of cases)
    it(says, () => {
      expect(expected).withContext(got).toContain(got);
    });
});
