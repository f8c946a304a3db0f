import type { Consumer } from '../../loads/consumer.js';
import { decidingLimit } from '../../check/limits/limit-order.js';
import { atMostTight, withCause, type Limit } from '../../check/limits/limit.js';
import { loadOf } from '../../rig/lookup.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import { stalled } from '../../check/limits/other-surges.js';
import {
  momentsOf,
  situationOf,
  steadyLimitsOf,
  type CheckScene,
  type Situation,
} from '../../check/situation.js';
import { worstVerdict, type Verdict } from '../../check/verdict.js';
import { whenItTrips, type TripsWhen } from '../../check/when-it-trips.js';
import type { NotFed } from '../../check/wiring/fed-loads.js';

/** What happens if shore or generator fails now: everything lands on the inverter at once. */
export interface DropOut {
  readonly verdict: Verdict;
  readonly decider: Limit | undefined;
  /** What lands on the inverter. */
  readonly landing: readonly Consumer[];
  readonly tripsWhen: TripsWhen | undefined;
  /** Loads that go dark with the source: those ahead of the inverter. */
  readonly dark: readonly NotFed[];
  /** Nothing is left running. */
  readonly isAllDark: boolean;
  /** The compressor that decides because it may stall against pressure (methods.md, rule 17). */
  readonly mayStall: string | undefined;
}

/**
 * The second verdict on every hookup: does the inverter carry what is on if the source drops out now?
 * Nothing is started by hand then; what starts by itself may do so on top of everything.
 *
 * @returns Undefined where no source is connected. Source: methods.md, rule 17.
 */
export function dropOutOf(compiled: CompiledRig, scene: CheckScene): DropOut | undefined {
  if (compiled.on(scene.supply).supply.sources.length === 0) return undefined;
  const situation = situationOf(compiled.without(scene.supply), scene);
  const { consumers } = situation;
  const limits = [
    ...steadyLimitsOf(situation, consumers),
    ...momentsOf(situation, consumers),
    ...stallsOf(situation, consumers),
  ];
  const decider = decidingLimit(limits);
  const stalling = decider?.start?.cause === 'stall' && decider.verdict !== 'holds';
  return {
    verdict: worstVerdict(limits.map((limit) => limit.verdict)),
    decider,
    landing: consumers,
    tripsWhen: decider?.verdict === 'trips' ? whenItTrips(decider) : undefined,
    dark: situation.notFed,
    isAllDark: consumers.length === 0 && situation.notFed.length > 0,
    mayStall: stalling ? loadOf(compiled.rig, decider.start.loadId).name : undefined,
  };
}

/**
 * After a transfer a compressor without a soft starter may start against pressure: its rotor then stays
 * locked for seconds. It may, so beyond a limit it is Tight and never Trips.
 */
function stallsOf({ testSurge }: Situation, running: readonly Consumer[]): readonly Limit[] {
  return running
    .flatMap((consumer) => stalled(consumer) ?? [])
    .flatMap((consumer) => testSurge(running, consumer))
    .map((limit) => atMostTight(withCause(limit, 'stall')));
}
