import type { Consumer } from '../loads/consumer.js';
import { offWith, onWith } from '../rig/followers.js';
import { loadOf } from '../rig/lookup.js';
import type { Load } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { check } from '../check/check.js';
import { holdsJoined, joiningOf, limitsOfJoining } from '../check/joining.js';
import { decidingLimit } from '../check/limits/limit-order.js';
import type { Limit } from '../check/limits/limit.js';
import {
  momentsOf,
  situationOf,
  steadyLimitsOf,
  type CheckScene,
  type Situation,
} from '../check/situation.js';
import { worstVerdict } from '../check/verdict.js';
import { noProgress, type Progress } from '../units/progress.js';

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
 * The outlook of every load that is off: what is on keeps running, the load starts last with what follows it, what
 * starts by itself may still do so. Nothing is reordered: those loads run already.
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
    outlooks.set(load.id, outlookOfAdded(asked, load));
    progress(outlooks.size, off.length);
  }
  return outlooks;
}

/** The outlook of one load; undefined where it is on. */
export function outlookOf(compiled: CompiledRig, scene: CheckScene, loadId: string): Outlook | undefined {
  if (scene.on.some((entry) => entry.load === loadId)) return undefined;
  return outlookOfAdded(askedAbout(compiled, scene), loadOf(compiled.rig, loadId));
}

interface Asked {
  readonly compiled: CompiledRig;
  readonly scene: CheckScene;
  readonly running: readonly Consumer[];
  /** The limits of what runs, by their ids, where it does not hold by itself. */
  readonly troubled: ReadonlyMap<string, Limit> | undefined;
}

function askedAbout(compiled: CompiledRig, scene: CheckScene): Asked {
  const situation = situationOf(compiled.on(scene.supply), scene);
  return { compiled, scene, running: situation.consumers, troubled: troubleOf(situation) };
}

function troubleOf(situation: Situation): ReadonlyMap<string, Limit> | undefined {
  const { consumers } = situation;
  const limits = [...steadyLimitsOf(situation, consumers), ...momentsOf(situation, consumers)];
  if (limits.every(({ verdict }) => verdict === 'holds')) return undefined;
  return new Map(limits.map((limit) => [limit.id, limit]));
}

function outlookOfAdded(asked: Asked, load: Load): Outlook {
  const joined = joiningOf(asked.compiled, asked.scene, load.id);
  if ('because' in joined) return { answer: 'not-here', because: joined.because };
  const joining = limitsOfJoining(joined);
  if (asked.troubled) return besideTrouble(asked.troubled, joining);
  const isThereFirst = joined.joining.load.usage === 'by-itself';
  const limits = isThereFirst ? [...joining, ...limitsOnceThere(asked, load)] : joining;
  const [verdict, limit] = [worstVerdict(limits.map((each) => each.verdict)), decidingLimit(limits)];
  if (verdict === 'holds' || !limit) return { answer: 'can-start', limit };
  if (verdict === 'tight' || verdict === 'likely-trips') return { answer: verdict, limit };
  return {
    answer: 'later',
    limit,
    after: whatMakesRoom(asked, load, limit),
    inState: fullestStateThatFits(asked, load, limit),
  };
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

/** What starts by itself is there before the others are switched on again: what the tick then shows. */
function limitsOnceThere({ compiled, scene }: Asked, { id }: Load): readonly Limit[] {
  const joining = onWith(compiled.rig, scene.on, id).map((load) => ({ load }));
  return check(compiled, { ...scene, on: [...scene.on, ...joining] }).limits;
}

/** The load of least power, switched by hand, without which the other one holds. */
function whatMakesRoom(
  { compiled, scene, running }: Asked,
  joining: Load,
  failing: Limit,
): string | undefined {
  return running
    .filter(({ load }) => load.usage !== 'by-itself' && load.isProtected !== 'yes')
    .sort((a, b) => wattsOf(a) - wattsOf(b))
    .find(({ load }) => {
      const leaving = offWith(compiled.rig, scene.on, load.id);
      const on = scene.on.filter((each) => !leaving.has(each.load));
      return holds(joiningOf(compiled, { ...scene, on }, joining.id), failing);
    })?.load.id;
}

function fullestStateThatFits({ compiled, scene }: Asked, load: Load, failing: Limit): string | undefined {
  const { inState } = situationOf(compiled.on(scene.supply), scene);
  return (load.states ?? [])
    .flatMap((state) => inState(load, state.id) ?? [])
    .sort((a, b) => wattsOf(b) - wattsOf(a))
    .find(({ stateId }) => holds(joiningOf(compiled, scene, load.id, stateId), failing))?.stateId;
}

/** What failed before is asked first. */
const holds = (joined: ReturnType<typeof joiningOf>, failing: Limit): boolean =>
  !('because' in joined) && holdsJoined(joined, failing);

const wattsOf = (consumer: Consumer): number =>
  consumer.parts.reduce((sum, part) => sum + part.running.watts.value, 0);
