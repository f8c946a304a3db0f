import { secondsToTrip } from '../protection/breaker.js';
import { secondsCarried, wattsPerVA } from '../supply/surge-tiers.js';
import { SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import { breakerConstants, CONTINUOUS_MINUTES, CONTINUOUS_SHARE } from '../reference/breaker-curves.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { ampsThrough, runningThrough } from '../check/wiring/flow.js';
import { RunningSet } from '../check/wiring/running-set.js';
import type { BreakerElement, SeriesElement } from '../check/wiring/series-elements.js';
import { situationOf, steadyLimitsOf, type CheckScene } from '../check/situation.js';

/** Something that is carried for a while and not for ever. */
export interface Overload {
  readonly elementId: string;
  readonly name: string;
  readonly kind: 'three-hours' | 'overload';
  /** How long it is carried at worst, s. */
  readonly lastsS: number;
  /** The loads through it. */
  readonly loadIds: readonly string[];
}

/**
 * What is on and cannot stay on: a breaker or an inverter beyond its rating at the pessimistic edge, with the time until it
 * may open, a breaker warmed for long by all but the load that was switched on last, and what is over 80 % of a breaker,
 * which is for less than three hours.
 *
 * @param scene What is on, in the order in which it was switched on.
 * @returns One for each element, the overload where it is both. Source: methods.md 5 and At the switch.
 */
export function overloadsOf(compiled: CompiledRig, scene: CheckScene): readonly Overload[] {
  const situation = situationOf(compiled.on(scene.supply), scene);
  const running = new RunningSet(situation.consumers);
  const over = new Set(
    steadyLimitsOf(situation, situation.consumers).flatMap(({ verdict, element, kind }) =>
      verdict === 'holds' || kind === 'continuous-rule' ? [] : [element.id],
    ),
  );
  return situation.elements.flatMap((element): readonly Overload[] => {
    const loadIds = running.through(element.members).map(({ load }) => load.id);
    const about = { elementId: element.id, name: element.name, loadIds };
    const lastsS = over.has(element.id)
      ? secondsUntilItMayOpen(element, running, withoutLast(element, scene, running))
      : undefined;
    if (lastsS !== undefined && Number.isFinite(lastsS)) return [{ ...about, kind: 'overload', lastsS }];
    return isOverEightyPercent(element, running)
      ? [{ ...about, kind: 'three-hours', lastsS: CONTINUOUS_MINUTES * SECONDS_PER_MINUTE }]
      : [];
  });
}

/** What ran through an element before the last of its loads was switched on. */
function withoutLast({ members }: SeriesElement, { on }: CheckScene, { consumers }: RunningSet): RunningSet {
  const last = [...on].reverse().find(({ load }) => members.has(load))?.load;
  return new RunningSet(consumers.filter(({ load }) => load.id !== last));
}

function secondsUntilItMayOpen(
  element: SeriesElement,
  running: RunningSet,
  before: RunningSet,
): number | undefined {
  if (element.kind === 'inverter' || element.kind === 'generator') {
    const { va, watts } = runningThrough(element, running);
    return secondsCarried(element.rating, Math.max(va.hi, watts.hi / wattsPerVA(element.rating)));
  }
  if (!isBreaker(element)) return undefined;
  const { protection } = element;
  const multiple = (set: RunningSet): number =>
    ampsThrough(element, runningThrough(element, set).va).hi / protection.amps;
  const { may } = breakerConstants(protection.curve, protection.amps);
  return secondsToTrip(may, multiple(running), Math.min(1, multiple(before)) ** 2);
}

function isOverEightyPercent(element: SeriesElement, running: RunningSet): boolean {
  if (!isBreaker(element) || !element.hasContinuousRule) return false;
  const amps = ampsThrough(element, runningThrough(element, running).va).hi;
  return amps > CONTINUOUS_SHARE * element.protection.amps;
}

const isBreaker = (element: SeriesElement): element is BreakerElement =>
  'hasContinuousRule' in element && 'protection' in element;
