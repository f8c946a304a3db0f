import { dropOutOf } from '../outlook/supply/drop-out.js';
import { noProgress, type Progress } from '../units/progress.js';
import { DEFAULT_RECOVERY_S } from '../reference/inverter-surge.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { oddsOfSet, type OddsOfSet } from '../check/odds-of-set.js';
import { compareLimits, decidingLimit, isPlanningRule } from '../check/limits/limit-order.js';
import { joiningOf, limitsOfJoining, type Joining } from '../check/joining.js';
import type { Limit } from '../check/limits/limit.js';
import { restartsOf } from '../check/order/restart.js';
import { momentsOf, situationOf, steadyLimitsOf, type CheckScene } from '../check/situation.js';
import type { Verdict } from '../check/verdict.js';
import { roomFor, type RoomMade } from './room-for.js';

/** Whether a load that is off can be switched on now, on top of what is on by one's own ticks. */
export type SwitchOn = { readonly loadId: string } & (
  | (Added & { readonly answer: 'yes' })
  | (Added & {
      readonly answer: 'may-trip' | 'likely-trips' | 'no';
      readonly limit: Limit;
      readonly room: RoomMade | undefined;
    })
  /** Nothing feeds it here, or a switch keeps it off; `room` may be another supply. */
  | { readonly answer: 'not-here'; readonly because: string; readonly room: RoomMade | undefined }
);

/** What is said of a load that would run. */
export interface Added {
  /** The limit that decides; undefined where none is tested. */
  readonly limit: Limit | undefined;
  /** How likely it is to hold where that is open. */
  readonly odds: OddsOfSet | undefined;
  /** It holds for less than the three hours of the rule for continuous loads. */
  readonly isForHours: boolean;
  /** What is on is in trouble without it, and it adds nothing to that. */
  readonly isBesideTrouble: boolean;
  /** What starts with it. */
  readonly follows: readonly string[];
  /** What a shedder drops then. */
  readonly drops: readonly string[];
  /** What is switched during work, could be restarted before and can no longer be while it runs. */
  readonly barsRestartOf: readonly string[];
  /** If shore or generator drops out while it is on; undefined where there is none. */
  readonly dropOut: Verdict | undefined;
  /** Seconds that the inverter rests after a start before its surge rating counts again, where this start takes it. */
  readonly recoveryS: number | undefined;
}

/**
 * "Can I switch this on?" for every load that is off: it starts last, with what follows it, while everything that is on
 * goes on and may start again by itself. Each Yes passes every limit at the pessimistic edge, each change that is named
 * makes it one.
 *
 * @param scene What is on; it runs already, so nothing is reordered.
 * @param tell Told of the answers before the changes that make room are known.
 * @param progress Told after each load whose change is found.
 * @returns In the order of the loads. Source: methods.md, rules 1 to 15, 17 and 24.
 */
export function canSwitchOn(
  compiled: CompiledRig,
  scene: CheckScene,
  tell: (soFar: readonly SwitchOn[]) => void = () => undefined,
  progress: Progress = noProgress,
): readonly SwitchOn[] {
  const isOn = new Set(scene.on.map(({ load }) => load));
  const off = compiled.rig.loads.filter(({ id }) => !isOn.has(id));
  const running = runningOf(compiled, scene);
  const answers = off.map(({ id }) => answerOf(compiled, scene, running, id));
  tell(answers);
  return answers.map((answer, index) => {
    const told =
      answer.answer === 'yes' ? answer : { ...answer, room: roomFor(compiled, scene, answer.loadId) };
    progress(index + 1, off.length);
    return told;
  });
}

/** The same for one load that is off. */
export function switchOnOf(compiled: CompiledRig, scene: CheckScene, loadId: string): SwitchOn {
  const answer = answerOf(compiled, scene, runningOf(compiled, scene), loadId);
  return answer.answer === 'yes' ? answer : { ...answer, room: roomFor(compiled, scene, loadId) };
}

/** What runs without the load that is asked about. */
interface Running {
  /** The limits of what runs by their ids, where it does not hold by itself. */
  readonly troubled: ReadonlyMap<string, Limit> | undefined;
  /** Loads that cannot be restarted as it is. */
  readonly notRestartable: ReadonlySet<string>;
  readonly keptOff: ReadonlySet<string>;
}

function runningOf(compiled: CompiledRig, scene: CheckScene): Running {
  const situation = situationOf(compiled.on(scene.supply), scene);
  const { consumers, test, habits } = situation;
  const limits = [...steadyLimitsOf(situation, consumers), ...momentsOf(situation, consumers)];
  const holds = limits.every(({ verdict }) => verdict === 'holds');
  return {
    troubled: holds ? undefined : new Map(limits.map((limit) => [limit.id, limit])),
    notRestartable: new Set(
      restartsOf(consumers, test, habits).flatMap(({ loadId, limit }) =>
        limit.verdict === 'holds' ? [] : [loadId],
      ),
    ),
    keptOff: new Set(situation.notFed.map(({ load }) => load.id)),
  };
}

function answerOf(compiled: CompiledRig, scene: CheckScene, running: Running, loadId: string): SwitchOn {
  const joined = joiningOf(compiled, scene, loadId);
  if ('because' in joined) return { loadId, answer: 'not-here', because: joined.because, room: undefined };
  const limits = limitsOfJoining(joined);
  const failing = limits.filter((limit) => limit.verdict !== 'holds' && isWorsened(running.troubled, limit));
  const ruled = failing.filter((limit) => !isPlanningRule(limit)).sort(compareLimits);
  const [worst] = ruled;
  const added = addedBy(compiled, scene, running, joined, limits);
  if (!worst)
    return {
      ...added,
      loadId,
      answer: 'yes',
      limit: decidingLimit(running.troubled ? [] : limits.filter(({ verdict }) => verdict === 'holds')),
      odds: undefined,
      isForHours: failing.length > 0,
    };
  return {
    ...added,
    loadId,
    answer: ANSWERS[worst.verdict],
    limit: worst,
    odds: oddsOfSet(ruled),
    isForHours: false,
    isBesideTrouble: false,
    room: undefined,
  };
}

/** The answer at a switch to a verdict that is not Holds. */
const ANSWERS = {
  holds: 'may-trip',
  tight: 'may-trip',
  'likely-trips': 'likely-trips',
  trips: 'no',
} as const;

/** Sums of the same numbers in another order may differ by so much of a limit. */
const SAME_SHARE = 1e-6;

/** Of a set that is in trouble without it only what the load adds counts. */
function isWorsened(troubled: Running['troubled'], { id, headroom, capacity }: Limit): boolean {
  const before = troubled?.get(id);
  if (!before) return true;
  const over = Math.min(0, before.headroom.pessimistic);
  return over - headroom.pessimistic > SAME_SHARE * Math.abs(capacity.pessimistic);
}

function addedBy(
  compiled: CompiledRig,
  scene: CheckScene,
  running: Running,
  { situation, joining, followers, before }: Joining,
  limits: readonly Limit[],
): Omit<Added, 'limit' | 'odds' | 'isForHours'> {
  const { consumers, notFed, test, habits } = situation;
  const restarts = restartsOf(consumers, test, habits);
  const isBefore = new Set(before.map(({ load }) => load.id));
  const together = [...scene.on, { load: joining.load.id }, ...followers.map((load) => ({ load }))];
  return {
    isBesideTrouble: running.troubled !== undefined,
    follows: followers.filter((id) => consumers.some(({ load }) => load.id === id)),
    drops: notFed.flatMap(({ load }) =>
      scene.on.some((each) => each.load === load.id) && !running.keptOff.has(load.id) ? [load.id] : [],
    ),
    barsRestartOf: restarts.flatMap(({ loadId, limit }) =>
      limit.verdict !== 'holds' && isBefore.has(loadId) && !running.notRestartable.has(loadId)
        ? [loadId]
        : [],
    ),
    dropOut: dropOutOf(compiled, { ...scene, on: together })?.verdict,
    recoveryS: recoveryAfter(joining.load.id, limits),
  };
}

/** Only a start beyond the continuous rating takes a surge rating, whose clock begins anew after a rest. */
function recoveryAfter(loadId: string, limits: readonly Limit[]): number | undefined {
  const rests = limits.flatMap(({ start, element, worst, unit }) => {
    if (start?.loadId !== loadId || element.kind !== 'inverter' || unit !== 'VA') return [];
    const isSurge = worst.hi > element.rating.continuousVA.value;
    return isSurge ? [element.converter.recoveryS ?? DEFAULT_RECOVERY_S] : [];
  });
  return rests.length > 0 ? Math.max(...rests) : undefined;
}
