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
import { droppedBy, lockedBy } from '../system/locks.js';
import { RunningSet } from '../system/running-set.js';
import { startLimits } from '../verdict/start-limits.js';
import { steadyLimits } from '../verdict/steady-limits.js';
import { worstVerdict, type Verdict } from '../verdict/verdict.js';

/** Whether a load that is off can be switched on now, on top of what runs. */
export type Outlook =
  | { readonly answer: 'can-start'; readonly limit: Limit | undefined }
  | { readonly answer: 'tight'; readonly limit: Limit }
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
}

function askedAbout({ rig, on }: CompiledRig, scene: CheckScene): Asked {
  const system = on(scene.supply);
  const situation = situationOfAll(system, [...rig.loads, ...system.charging], scene);
  const isOn = new Set([...scene.on.map((entry) => entry.load), ...system.charging.map(({ id }) => id)]);
  return { rig, situation, running: situation.consumers.filter(({ load }) => isOn.has(load.id)) };
}

function outlookOrWhyNot({ rig, situation, running }: Asked, load: Load): Outlook {
  const runningLoads = running.map((consumer) => consumer.load);
  const notFed = situation.notFed.find((each) => each.load.id === load.id);
  const blocked = notFed ?? lockedBy(rig, runningLoads, load) ?? droppedBy(rig, runningLoads, load);
  return blocked
    ? { answer: 'not-here', because: blocked.because }
    : outlookOfAdded(situation, running, load);
}

function outlookOfAdded(situation: Situation, running: readonly Consumer[], load: Load): Outlook {
  const added = situation.inState(load);
  if (!added) return { answer: 'not-here', because: 'nothing feeds it' };
  const { verdict, limit } = judgeAdded(situation, running, added);
  if (verdict === 'holds' || !limit) return { answer: 'can-start', limit };
  if (verdict === 'tight') return { answer: 'tight', limit };
  return {
    answer: 'later',
    limit,
    after: whatMakesRoom(situation, running, added, limit),
    inState: fullestStateThatFits(situation, running, load, limit),
  };
}

function judgeAdded(
  situation: Situation,
  running: readonly Consumer[],
  added: Consumer,
): { readonly verdict: Verdict; readonly limit: Limit | undefined } {
  const all = [...running, added];
  const limits = [
    ...steadyLimitsOf(situation, all),
    ...(situation.ties.bringsStart(added) ? situation.test(all, added) : []),
    ...momentsOf(situation, all),
  ];
  return { verdict: worstVerdict(limits.map((limit) => limit.verdict)), limit: decidingLimit(limits) };
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

/** As `judgeAdded`, but done at the first limit that fails; the one that failed before is asked first. */
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
