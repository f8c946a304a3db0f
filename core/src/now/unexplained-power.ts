import { flowsOf, sourceWatts } from '../outlook/supply/power-flows.js';
import type { Interval } from '../units/quantity.js';
import { METER_LEAST_W, METER_SHARE } from '../reference/meters.js';
import type { Load } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { RunningSet, runningSum } from '../check/wiring/running-set.js';
import { situationOf, type CheckScene, type LoadOn } from '../check/situation.js';
import type { MeterReading } from './live-state.js';
import { magnitude } from '../units/magnitude.js';

/** What a meter shows beyond what is ticked, and what would explain it. */
export interface UnexplainedPower {
  readonly at: MeterReading['at'];
  readonly readW: number;
  /** What the ticked loads come to at the meter while all of them run: at least, as stated, at most. */
  readonly expectedW: Interval;
  /** The reading less what is expected as stated. */
  readonly unexplainedW: number;
  /** Half-width of it: of the reading, and of what is ticked. */
  readonly doubtW: number;
  /** Whether the ticked loads explain it within that doubt. */
  readonly isExplained: boolean;
  /** The likeliest first; none where it is explained. */
  readonly explanations: readonly ExplainedBy[];
}

/** Loads that would explain it: on without a tick, or ticked and resting just now. */
export interface ExplainedBy {
  readonly on: readonly LoadOn[];
  readonly resting: readonly string[];
  /** What would still be unexplained, W. */
  readonly leftW: number;
}

const MOST_EXPLANATIONS = 4;
/** As good an answer with one load is the likelier one: a second is charged so much of the doubt. */
const SECOND_LOAD = 0.5;
/** A load that nobody starts by hand is the likelier one to run unnoticed, or to rest. */
const BY_HAND = 0.25;

/**
 * Meter less ticks: what one's own ticks do not account for, and which single loads or pairs would, among them loads
 * that cycle and may just be running, or just be resting.
 *
 * @param reading Watts at the battery (what it gives, losses included), at the inverter's output, or at the inlet.
 * @returns Undefined where the supply has no such place. Source: physics; half-width of a meter by reference/meters.ts; doubts
 *   of what is ticked by JCGM 100:2008, 5.1.2.
 */
export function unexplainedPower(
  compiled: CompiledRig,
  scene: CheckScene,
  reading: MeterReading,
): UnexplainedPower | undefined {
  const { rig } = compiled;
  const system = compiled.on(scene.supply);
  const wattsOf = (on: readonly LoadOn[]): Interval | undefined =>
    wattsAt(compiled, { ...scene, on }, reading.at);
  const expectedW = wattsOf(scene.on);
  if (!expectedW) return undefined;
  const readingDoubtW = Math.max(METER_LEAST_W, METER_SHARE * Math.abs(reading.watts));
  /** How far a set is from the reading, in doubts of both. */
  const missOf = (on: readonly LoadOn[]): { readonly leftW: number; readonly doubtW: number } => {
    const watts = wattsOf(on) ?? NOTHING;
    const leftW = reading.watts - watts.stated;
    const own = leftW > 0 ? watts.hi - watts.stated : watts.stated - watts.lo;
    return { leftW, doubtW: magnitude(readingDoubtW, own) };
  };
  const asTicked = missOf(scene.on);
  const about = {
    at: reading.at,
    readW: reading.watts,
    expectedW,
    unexplainedW: asTicked.leftW,
    doubtW: asTicked.doubtW,
  };
  if (Math.abs(asTicked.leftW) <= asTicked.doubtW) return { ...about, isExplained: true, explanations: [] };
  const isOn = new Set(scene.on.map(({ load }) => load));
  const unticked = rig.loads.filter(({ id }) => !isOn.has(id) && !system.whyNotFed(id));
  const steps: readonly Step[] = [
    ...unticked.flatMap(statesOf),
    ...rig.loads.filter((load) => isOn.has(load.id) && rests(load)).map(restOf),
  ];
  const ranked = [...steps.map((step) => [step]), ...pairsOf(steps)]
    .map((taken) => {
      const on = [
        ...scene.on.filter(({ load }) => !taken.some((step) => step.resting === load)),
        ...taken.flatMap((step) => step.on ?? []),
      ];
      const { leftW, doubtW } = missOf(on);
      const off = Math.abs(leftW) / doubtW;
      const unlikely = SECOND_LOAD * (taken.length - 1) + taken.reduce((sum, step) => sum + step.unlikely, 0);
      return { taken, leftW, isWithin: off <= 1, rank: off + unlikely };
    })
    .filter(({ isWithin }) => isWithin)
    .sort((a, b) => a.rank - b.rank);
  return {
    ...about,
    isExplained: false,
    explanations: ranked.slice(0, MOST_EXPLANATIONS).map(({ taken, leftW }) => ({
      on: taken.flatMap((step) => step.on ?? []),
      resting: taken.flatMap((step) => step.resting ?? []),
      leftW,
    })),
  };
}

const NOTHING: Interval = { lo: 0, stated: 0, hi: 0 };

/** One load that runs unticked, or a ticked one that rests. */
interface Step {
  readonly loadId: string;
  readonly on?: LoadOn;
  readonly resting?: string;
  readonly unlikely: number;
}

function statesOf({ id, states = [], usage }: Load): readonly Step[] {
  const unlikely = usage === 'by-itself' ? 0 : BY_HAND;
  const ways: readonly LoadOn[] =
    states.length > 0 ? states.map((state) => ({ load: id, state: state.id })) : [{ load: id }];
  return ways.map((on) => ({ loadId: id, on, unlikely }));
}

/** What is switched by a thermostat, and what is switched again and again, is ticked also while it rests. */
const rests = ({ usage, cycling }: Load): boolean => usage !== 'left-on' || cycling !== undefined;

const restOf = ({ id }: Load): Step => ({ loadId: id, resting: id, unlikely: 0 });

const pairsOf = (steps: readonly Step[]): readonly (readonly Step[])[] =>
  steps.flatMap((one, index) =>
    steps.slice(index + 1).flatMap((other) => (other.loadId === one.loadId ? [] : [[one, other]])),
  );

/** What runs draws at a place; undefined where the supply has none. */
function wattsAt(compiled: CompiledRig, scene: CheckScene, at: MeterReading['at']): Interval | undefined {
  const { elements, consumers } = situationOf(compiled.on(scene.supply), scene);
  const running = new RunningSet(consumers);
  const all = compiled.on(scene.supply).elements;
  switch (at) {
    case 'battery':
      return all.some(({ kind }) => kind === 'battery') ? flowsOf(elements, running).fromBatteryW : undefined;
    case 'output': {
      const inverters = all.filter(({ kind }) => kind === 'inverter');
      if (inverters.length === 0) return undefined;
      const behind = consumers.filter(({ load }) => inverters.some(({ members }) => members.has(load.id)));
      return runningSum(behind).watts;
    }
    case 'inlet':
      return sourceWatts(all, running);
  }
}
