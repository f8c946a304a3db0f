import type { Consumer } from '../electrical/consumer.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { Rig } from '../rig/schema.js';
import { decidingLimit, type Limit } from './limit.js';
import { selfStartsOf, situationOf, steadyLimitsOf, supplyOf, type CheckScene } from './situation.js';
import { worstVerdict, type Verdict } from './verdict.js';
import { whenItTrips, type TripsWhen } from './when-it-trips.js';
import type { NotFed } from './wiring.js';

/** What happens if shore or generator fails now: everything lands on the inverter at once. */
export interface DropOut {
  readonly verdict: Verdict;
  readonly decider: Limit | undefined;
  readonly tripsWhen: TripsWhen | undefined;
  /** Loads that go dark with the source: those ahead of the inverter. */
  readonly dark: readonly NotFed[];
  /** A compressor without a soft starter may stall against pressure, so it may trip (methods.md, rule 17). */
  readonly mayStall: string | undefined;
}

/**
 * The second verdict on every hookup: does the inverter carry what is on if the source drops out now?
 * Nothing is started by hand then; what starts by itself may do so on top of everything.
 *
 * @returns Undefined where no source is connected. Source: methods.md, rule 17.
 */
export function dropOutOf(rig: Rig, scene: CheckScene): DropOut | undefined {
  const supply = supplyOf(rig, scene.supply);
  if (supply.sources.length === 0) return undefined;
  const situation = situationOf(rig, { ...supply, sources: [] }, scene.on);
  const { consumers } = situation;
  const limits = [...steadyLimitsOf(situation, consumers), ...selfStartsOf(situation, consumers)];
  const decider = decidingLimit(limits);
  const computed = worstVerdict(limits.map((limit) => limit.verdict));
  const mayStall = consumers.find(mayRestartAgainstPressure)?.load.name;
  return {
    verdict: computed === 'holds' && mayStall !== undefined ? 'tight' : computed,
    decider,
    tripsWhen: computed === 'trips' && decider ? whenItTrips(decider) : undefined,
    dark: situation.notFed,
    mayStall,
  };
}

function mayRestartAgainstPressure({ parts }: Consumer): boolean {
  return parts.some(
    ({ part }) =>
      kindOfPart(part.kind).family === 'Compressors' &&
      part.start !== undefined &&
      part.start.softStarter !== 'yes',
  );
}
