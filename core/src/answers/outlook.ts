import { loadOf } from '../rig/lookup.js';
import type { Consumer } from '../electrical/consumer.js';
import type { Load, Rig } from '../rig/schema.js';
import { noProgress, type Progress } from './progress.js';
import { decidingLimit } from '../verdict/limit-order.js';
import type { Limit } from '../verdict/limit.js';
import {
  momentsOf,
  situationOfAll,
  steadyLimitsOf,
  type CheckScene,
  type Situation,
} from '../verdict/situation.js';
import type { CompiledRig } from '../system/compile.js';
import { droppedBy, lockedBy, unlocked } from '../system/locks.js';
import { RunningSet } from '../system/running-set.js';
import { startLimits } from '../verdict/start-limits.js';
import { steadyLimits } from '../verdict/steady-limits.js';
import { worstVerdict } from '../verdict/verdict.js';

/** Whether a load that is off can be switched on now, on top of what runs. */
export type Outlook =
  | { readonly answer: 'can-start'; readonly limit: Limit | undefined }
  | { readonly answer: 'tight' | 'likely-trips'; readonly limit: Limit }
  /** What runs is in trouble already, and the load adds nothing to it. */
  | { readonly answer: 'beside' }
  /** What runs is in trouble already, and the load makes it worse at this limit, by so much in its unit. */
  | { readonly answer: 'worse'; readonly limit: Limit; readonly by: number }
  | {
      readonly answer: 'later';
      readonly limit: Limit;
      /** Loads each of which, once off, makes room; the one of least power. */
      readonly after: string | undefined;
      /** The fullest state of the load that fits now. */
      readonly inState: string | undefined;
    }
  | { readonly answer: 'not-here'; readonly because: string };

/**
 * The outlook of every load that is off: what is on keeps running, the load starts last, what starts
 * by itself may still do so. Nothing is reordered: those loads run already.
 *
 * @param progress Told after each load.
 * @returns By the id of the load.
 */
export function outlooksOf(
  compiled: CompiledRig,
  scene: CheckScene,
  progress: Progress = noProgress,
): ReadonlyMap<string, Outlook> {
  const asked = askedAbout(compiled, scene);
  const on = new Set(scene.on.map((entry) => entry.load));
  const off = compiled.rig.loads.filter((load) => !on.has(load.id));
  const outlooks = new Map<string, Outlook>();
  for (const load of off) {
    outlooks.set(load.id, outlookOrWhyNot(asked, load));
    progress(outlooks.size, off.length);
  }
  return outlooks;
}

/** The outlook of one load; undefined where it is on. */
export function outlookOf(compiled: CompiledRig, scene: CheckScene, loadId: string): Outlook | undefined {
  if (scene.on.some((entry) => entry.load === loadId)) return undefined;
  return outlookOrWhyNot(askedAbout(compiled, scene), loadOf(compiled.rig, loadId));
}

interface Asked {
  readonly rig: Rig;
  readonly situation: Situation;
  readonly running: readonly Consumer[];
  /** The limits of what runs, by their ids, where it does not hold by itself. */
  readonly troubled: ReadonlyMap<string, Limit> | undefined;
}

function askedAbout({ rig, on }: CompiledRig, scene: CheckScene): Asked {
  const system = on(scene.supply);
  const situation = situationOfAll(system, [...rig.loads, ...system.charging], scene);
  const isOn = new Set([...scene.on.map((entry) => entry.load), ...system.charging.map(({ id }) => id)]);
  const listed = situation.consumers.filter(({ load }) => isOn.has(load.id));
  // What its lock or a shedder keeps off is ticked and does not run.
  const free = new Set(
    unlocked(
      rig,
      listed.map(({ load }) => load),
    ).free,
  );
  const running = listed.filter(({ load }) => free.has(load));
  return { rig, situation, running, troubled: troubleOf(situation, running) };
}

function troubleOf(
  situation: Situation,
  running: readonly Consumer[],
): ReadonlyMap<string, Limit> | undefined {
  const limits = [...steadyLimitsOf(situation, running), ...momentsOf(situation, running)];
  if (limits.every(({ verdict }) => verdict === 'holds')) return undefined;
  return new Map(limits.map((limit) => [limit.id, limit]));
}

function outlookOrWhyNot({ rig, situation, running, troubled }: Asked, load: Load): Outlook {
  const runningLoads = running.map((consumer) => consumer.load);
  const notFed = situation.notFed.find((each) => each.load.id === load.id);
  const blocked = notFed ?? lockedBy(rig, runningLoads, load) ?? droppedBy(rig, runningLoads, load);
  return blocked
    ? { answer: 'not-here', because: blocked.because }
    : outlookOfAdded(situation, running, troubled, load);
}

function outlookOfAdded(
  situation: Situation,
  running: readonly Consumer[],
  troubled: Asked['troubled'],
  load: Load,
): Outlook {
  const added = situation.inState(load);
  if (!added) return { answer: 'not-here', because: 'nothing feeds it' };
  const limits = limitsWith(situation, running, added);
  if (troubled) return besideTrouble(troubled, limits);
  const [verdict, limit] = [worstVerdict(limits.map((each) => each.verdict)), decidingLimit(limits)];
  if (verdict === 'holds' || !limit) return { answer: 'can-start', limit };
  if (verdict === 'tight' || verdict === 'likely-trips') return { answer: verdict, limit };
  return {
    answer: 'later',
    limit,
    after: whatMakesRoom(situation, running, added, limit),
    inState: fullestStateThatFits(situation, running, load, limit),
  };
}

function limitsWith(situation: Situation, running: readonly Consumer[], added: Consumer): readonly Limit[] {
  const all = [...running, added];
  return [
    ...steadyLimitsOf(situation, all),
    ...(situation.ties.bringsStart(added) ? situation.test(all, added) : []),
    ...momentsOf(situation, all),
  ];
}

/** Sums of the same numbers in another order may differ by so much of a limit. */
const SAME_SHARE = 1e-6;

/**
 * What a load does to a set that is in trouble without it: only what it adds counts. A limit that trips with it and
 * did not before is no; one that is further over is worse, by the difference; one that is over as before is not its.
 */
function besideTrouble(troubled: ReadonlyMap<string, Limit>, limits: readonly Limit[]): Outlook {
  const worsened = limits
    .filter((limit) => limit.verdict !== 'holds')
    .flatMap((limit) => {
      const before = troubled.get(limit.id);
      const over = Math.min(0, before?.headroom.pessimistic ?? 0);
      const by = over - limit.headroom.pessimistic;
      const isSame = by <= SAME_SHARE * Math.abs(limit.capacity.pessimistic);
      return isSame
        ? []
        : [{ limit, by, tripsAnew: limit.verdict === 'trips' && before?.verdict !== 'trips' }];
    });
  const anew = decidingLimit(worsened.filter(({ tripsAnew }) => tripsAnew).map(({ limit }) => limit));
  if (anew) return { answer: 'later', limit: anew, after: undefined, inState: undefined };
  const deciding = decidingLimit(worsened.map(({ limit }) => limit));
  const worse = worsened.find(({ limit }) => limit === deciding);
  return worse ? { answer: 'worse', limit: worse.limit, by: worse.by } : { answer: 'beside' };
}

/** The load of least power, switched by hand, without which the other one holds. */
function whatMakesRoom(
  situation: Situation,
  running: readonly Consumer[],
  added: Consumer,
  failing: Limit,
): string | undefined {
  return running
    .filter(({ load }) => load.usage !== 'by-itself' && load.isProtected !== 'yes')
    .sort((a, b) => wattsOf(a) - wattsOf(b))
    .find((off) => {
      const others = running.filter((consumer) => consumer !== off);
      return holdsAdded(situation, others, added, failing);
    })?.load.id;
}

function fullestStateThatFits(
  situation: Situation,
  running: readonly Consumer[],
  load: Load,
  failing: Limit,
): string | undefined {
  return (load.states ?? [])
    .flatMap((state) => situation.inState(load, state.id) ?? [])
    .sort((a, b) => wattsOf(b) - wattsOf(a))
    .find((consumer) => holdsAdded(situation, running, consumer, failing))?.stateId;
}

/** Whether all limits with it hold; done at the first limit that fails; the one that failed before is asked first. */
function holdsAdded(
  situation: Situation,
  running: readonly Consumer[],
  added: Consumer,
  failing: Limit,
): boolean {
  const all = [...running, added];
  const set = new RunningSet(all);
  const fails = (limit: Limit): boolean => limit.verdict !== 'holds';
  const { element } = failing;
  const again = failing.start
    ? [added, ...running]
        .filter((consumer) => consumer.load.id === failing.start?.loadId)
        .flatMap((consumer) => startLimits([element], all, consumer))
    : steadyLimits(element, set);
  return (
    !again.some(fails) &&
    !situation.elements.some((each) => steadyLimits(each, set).some(fails)) &&
    !(situation.ties.bringsStart(added) && situation.test(all, added, fails).some(fails)) &&
    !momentsOf(situation, all, fails).some(fails)
  );
}

const wattsOf = (consumer: Consumer): number =>
  consumer.parts.reduce((sum, part) => sum + part.running.watts.value, 0);
