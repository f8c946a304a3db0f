import { NO_CHARGING } from '../../supply/assist.js';
import type { Interval } from '../../units/quantity.js';
import { runningSetOf, type CheckResult } from '../../check/check.js';
import { runningBatteryWatts, runningThrough } from '../../check/wiring/flow.js';
import { isCharging } from '../../rig/charging-loads.js';
import { runningSum, type RunningSet } from '../../check/wiring/running-set.js';
import type {
  BreakerElement,
  GeneratorElement,
  SeriesElement,
  UnknownRatingElement,
} from '../../check/wiring/series-elements.js';

/** Where the running power comes from, as stated, W. */
export interface PowerFlows {
  readonly fromSourceW: number;
  /** Drawn from the batteries, losses and DC loads included. */
  readonly fromBatteryW: number;
  /** What the source gives to the charger. */
  readonly toChargeW: number;
}

/** The flows of a set while everything that is on runs; both legs of a source together. */
export function powerFlowsOf(result: CheckResult): PowerFlows {
  const { fromSourceW, fromBatteryW, toChargeW } = flowsOf(result.elements, runningSetOf(result));
  return { fromSourceW, fromBatteryW: fromBatteryW.stated, toChargeW };
}

/** The same of what runs, with the battery's share at the edges. */
export function flowsOf(
  elements: readonly SeriesElement[],
  running: RunningSet,
): Omit<PowerFlows, 'fromBatteryW'> & { readonly fromBatteryW: Interval } {
  const conductors = sourceConductors(elements);
  const battery = elements.find((element) => element.kind === 'battery');
  const fromSourceW = sourceWatts(elements, running)?.stated ?? 0;
  const withoutCharging = conductors.reduce((sum, each) => sum + withoutCharger(each, running), 0);
  return {
    fromSourceW,
    fromBatteryW: battery?.kind === 'battery' ? runningBatteryWatts(battery, running) : NOTHING,
    toChargeW: fromSourceW - withoutCharging + byChargers(running),
  };
}

/** What a source gives, all its conductors together, W at the edges; undefined where none is connected. */
export function sourceWatts(elements: readonly SeriesElement[], running: RunningSet): Interval | undefined {
  const sums = sourceConductors(elements).map((each) => runningThrough(each, running).watts);
  if (sums.length === 0) return undefined;
  const at = (edge: keyof Interval): number => sums.reduce((sum, watts) => sum + watts[edge], 0);
  return { lo: at('lo'), stated: at('stated'), hi: at('hi') };
}

const NOTHING: Interval = { lo: 0, stated: 0, hi: 0 };

/** What stand-alone chargers draw. */
function byChargers({ consumers }: RunningSet): number {
  return runningSum(consumers.filter(({ load }) => isCharging(load))).watts.stated;
}

type Conductor = BreakerElement | GeneratorElement | UnknownRatingElement;

/** One element per conductor of the source: its breaker, or else the generator itself, rated or not. */
function sourceConductors(elements: readonly SeriesElement[]): readonly Conductor[] {
  const ofKind = (kind: Conductor['kind']): readonly Conductor[] =>
    elements.filter(
      (element): element is Conductor =>
        element.kind === kind && (element.kind !== 'unknown-rating' || element.of === 'source'),
    );
  const kinds = ['source-breaker', 'generator', 'unknown-rating'] as const;
  return kinds.map(ofKind).find((each) => each.length > 0) ?? [];
}

function withoutCharger(conductor: Conductor, running: RunningSet): number {
  const behindLimits = conductor.behindLimits.map((each) => ({
    ...each,
    limit: { ...each.limit, charger: NO_CHARGING },
  }));
  return runningThrough({ ...conductor, behindLimits }, running).watts.stated;
}
