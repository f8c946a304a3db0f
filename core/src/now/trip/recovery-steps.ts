import { powerBackOf } from '../../outlook/supply/power-back.js';
import { kindOfPart } from '../../reference/kinds-of-parts.js';
import { loadOf } from '../../rig/lookup.js';
import { usageOf } from '../../rig/usage.js';
import type { Load, Rig } from '../../rig-file/schema.js';
import type { CompiledRig } from '../../check/wiring/compile.js';
import { check, type CheckResult } from '../../check/check.js';
import type { CheckScene } from '../../check/situation.js';
import { compareVerdicts } from '../../check/verdict.js';
import { waitAfterStop } from '../clocks.js';
import { switchOnOf, type SwitchOn } from '../can-switch-on.js';
import type { Device } from './trip-devices.js';
import type { TripCause } from './trip-causes.js';

/** A step of the way back to light, in its order. */
export type RecoveryStep =
  /** At their own switches, before anything is reset. */
  | { readonly step: 'off'; readonly loads: readonly Load[] }
  | { readonly step: 'reset'; readonly device: Device; readonly byThemselves: readonly Load[] }
  /** Until pressures have fallen and soft starters let go, seconds after the trip. */
  | { readonly step: 'wait'; readonly afterS: number; readonly loads: readonly Load[] }
  /** What was on, without what had started: in this order, with its verdict. */
  | { readonly step: 'on'; readonly loads: readonly Load[]; readonly result: CheckResult }
  /** What had just started, last: whether it can be, and what makes room for it. */
  | { readonly step: 'last'; readonly load: Load; readonly answer: SwitchOn };

/**
 * The safe way back after a trip: the switches of what was on, machines first, reset, wait, on again in the best order,
 * and what had started last of all. Every set
 * that is named is checked as it will be; what does not hold is left off.
 *
 * @param scene What was on, what had just started included.
 * @param started What was switched on last.
 * Source: methods.md, At the switch; the check.
 */
export function recoveryStepsOf(
  compiled: CompiledRig,
  scene: CheckScene,
  started: string | undefined,
  { device, dark }: Pick<TripCause, 'device' | 'dark'>,
): readonly RecoveryStep[] {
  const { rig } = compiled;
  const others = { ...scene, on: scene.on.filter(({ load }) => load !== started) };
  const last = started === undefined ? undefined : loadOf(rig, started);
  const back = ranBefore(compiled, others);
  const lost = [...back.selfStarting, ...back.order]
    .map(({ load }) => load)
    .filter((load) => rig.loads.includes(load) && dark.includes(load.id));
  // What is left off, for the set tripped with it too, must not come back by itself.
  const runs = new Set([...back.selfStarting, ...back.order].map(({ load }) => load.id));
  const leftOff = others.on
    .map(({ load }) => loadOf(rig, load))
    .filter(({ id }) => !runs.has(id) && dark.includes(id));
  const off = machinesFirst([
    ...(last ? [last] : []),
    ...leftOff,
    ...lost.filter((load) => usageOf(load) !== 'by-itself' && load.isProtected !== 'yes'),
    ...offFirst(compiled, others, lost),
  ]);
  const byThemselves = lost.filter((load) => usageOf(load) === 'by-itself' && !off.includes(load));
  const again = lost.filter((load) => !byThemselves.includes(load));
  return [
    ...(off.length > 0 ? [{ step: 'off' as const, loads: off }] : []),
    ...resetAndWait(rig, device, byThemselves, [...again, ...(last ? [last] : [])]),
    ...(again.length > 0 ? [{ step: 'on' as const, loads: again, result: back }] : []),
    ...(last
      ? [
          {
            step: 'last' as const,
            load: last,
            answer: switchOnOf(compiled, runningScene(others, back), last.id),
          },
        ]
      : []),
  ];
}

/** Each once: a machine that starts under a hand hurts most. */
function machinesFirst(loads: readonly Load[]): readonly Load[] {
  const all = [...new Set(loads)];
  return [...all.filter(isMachine), ...all.filter((load) => !isMachine(load))];
}

const isMachine = (load: Load): boolean =>
  load.usage === 'during-work' || load.parts.some(({ kind }) => kindOfPart(kind).family === 'Motors');

/** What would come back by itself and must wait, but is never switched off, waits before the reset. */
function resetAndWait(
  rig: Rig,
  device: Device,
  byThemselves: readonly Load[],
  byHand: readonly Load[],
): readonly RecoveryStep[] {
  const reset: RecoveryStep = { step: 'reset', device, byThemselves };
  const all = [...byThemselves, ...byHand]
    .map((load) => ({ load, waitS: waitAfterStop(rig, load)?.waitS ?? 0 }))
    .filter(({ waitS }) => waitS > 0);
  if (all.length === 0) return [reset];
  const wait: RecoveryStep = {
    step: 'wait',
    afterS: Math.max(...all.map(({ waitS }) => waitS)),
    loads: all.map(({ load }) => load),
  };
  return all.some(({ load }) => byThemselves.includes(load)) ? [wait, reset] : [reset, wait];
}

/**
 * What would restart all at once and is too much then, and what would start against pressure; where nothing less is known to
 * be enough, all that may go.
 */
function offFirst(compiled: CompiledRig, scene: CheckScene, lost: readonly Load[]): readonly Load[] {
  const { rig } = compiled;
  const mayGo = lost.filter(({ isProtected }) => isProtected !== 'yes');
  const atOnce = powerBackOf(compiled, scene);
  const isTooMuch = atOnce !== undefined && atOnce.verdict !== 'holds';
  if (isTooMuch && atOnce.switchOffFirst.length === 0) return mayGo;
  const tooMuch = isTooMuch ? atOnce.switchOffFirst : [];
  return mayGo.filter((load) => tooMuch.includes(load) || waitAfterStop(rig, load) !== undefined);
}

/** What was on and ran, before the last load started; where it trips or likely trips by itself, without the largest loads. */
function ranBefore(compiled: CompiledRig, scene: CheckScene): CheckResult {
  const result = check(compiled, scene);
  if (compareVerdicts(result.verdict, 'tight') <= 0) return result;
  const [largest] = scene.on
    .filter(({ load }) => loadOf(compiled.rig, load).isProtected !== 'yes')
    .sort((a, b) => wattsOf(result, b.load) - wattsOf(result, a.load));
  return largest
    ? ranBefore(compiled, { ...scene, on: scene.on.filter((each) => each !== largest) })
    : result;
}

function wattsOf({ order, selfStarting }: CheckResult, loadId: string): number {
  const consumer = [...order, ...selfStarting].find(({ load }) => load.id === loadId);
  return consumer?.parts.reduce((sum, part) => sum + part.running.watts.value, 0) ?? 0;
}

/** What runs of a set, as a scene. */
function runningScene({ supply, charge, on }: CheckScene, result: CheckResult): CheckScene {
  const runs = new Set([...result.order, ...result.selfStarting].map(({ load }) => load.id));
  return { supply, ...(charge && { charge }), on: on.filter(({ load }) => runs.has(load)) };
}
