import { wattsCounted } from '../electrical/watts-counted.js';
import { withoutCharging } from '../rig/edits.js';
import { loadOf } from '../rig/lookup.js';
import type { Rig } from '../rig/schema.js';
import { compile, type CompiledRig } from '../system/compile.js';
import { check, type CheckResult, type StartOrderRule } from '../verdict/check.js';
import type { CheckScene } from '../verdict/situation.js';
import { noProgress, type Progress } from './progress.js';

/** One thing that a hand does: a level turned down, charging turned off, or a load switched off. */
export type SingleChange =
  | { readonly by: 'state'; readonly loadId: string; readonly stateId: string }
  | { readonly by: 'charging-off' }
  | { readonly by: 'off'; readonly loadId: string };

/** The least single change that makes a set hold, and what the set is then. */
export interface LeastChange {
  readonly change: SingleChange;
  readonly result: CheckResult;
}

/** What was found, and whether every single change was tried. */
export interface LeastChangeAnswer {
  readonly found: LeastChange | undefined;
  readonly isComplete: boolean;
}

/** Each is a verdict of its own. */
const MOST_TRIED = 80;
const RANK_OF_IMPORTANCE = { may: 0, should: 1, must: 2 } as const;

/**
 * The least single change that makes a set hold: first levels that give up the fewest watts, then charging, then loads
 * to switch off, the least important and the smallest first; what is protected stays on. Each is verified by the check itself.
 *
 * @returns Nothing found where the set holds already, or where no single change is enough.
 * Source: common practice: turn down before you switch off.
 */
export function leastChangeOf(
  compiled: CompiledRig,
  scene: CheckScene,
  startOrder: StartOrderRule,
  progress: Progress = noProgress,
): LeastChangeAnswer {
  if (check(compiled, scene, startOrder).verdict === 'holds') return { found: undefined, isComplete: true };
  const { rig } = compiled;
  const all = [...lowerStates(rig, scene), ...charging(rig, scene), ...switchedOff(rig, scene)];
  const tried = all.slice(0, MOST_TRIED);
  for (const [index, change] of tried.entries()) {
    progress(index, tried.length);
    const result = checkAfter(compiled, scene, change, startOrder);
    if (result.verdict === 'holds') return { found: { change, result }, isComplete: true };
  }
  return { found: undefined, isComplete: tried.length === all.length };
}

/** The check of a set after a change. */
export function checkAfter(
  compiled: CompiledRig,
  scene: CheckScene,
  change: SingleChange,
  startOrder: StartOrderRule,
): CheckResult {
  switch (change.by) {
    case 'charging-off':
      return check(compile(withoutCharging(compiled.rig, scene.supply)), scene, startOrder);
    case 'off':
      return check(
        compiled,
        { ...scene, on: scene.on.filter(({ load }) => load !== change.loadId) },
        startOrder,
      );
    case 'state': {
      const on = scene.on.map((entry) =>
        entry.load === change.loadId ? { ...entry, state: change.stateId } : entry,
      );
      return check(compiled, { ...scene, on }, startOrder);
    }
  }
}

function charging(rig: Rig, scene: CheckScene): readonly SingleChange[] {
  const supply = rig.supplies.find(({ id }) => id === scene.supply);
  return supply?.charging === 'on' ? [{ by: 'charging-off' }] : [];
}

function lowerStates(rig: Rig, scene: CheckScene): readonly SingleChange[] {
  return scene.on
    .flatMap(({ load: loadId, state }) => {
      const load = loadOf(rig, loadId);
      const now = wattsCounted(rig, load, state);
      return (load.states ?? []).map(({ id }) => ({
        loadId,
        stateId: id,
        less: now - wattsCounted(rig, load, id),
      }));
    })
    .filter(({ less }) => less > 0)
    .sort((a, b) => a.less - b.less)
    .map(({ loadId, stateId }) => ({ by: 'state', loadId, stateId }));
}

function switchedOff(rig: Rig, scene: CheckScene): readonly SingleChange[] {
  return scene.on
    .map(({ load: id, state }) => ({ load: loadOf(rig, id), state }))
    .filter(({ load }) => load.isProtected !== 'yes')
    .map(({ load, state }) => ({
      load,
      rank: RANK_OF_IMPORTANCE[load.importance ?? 'should'],
      watts: wattsCounted(rig, load, state),
    }))
    .sort((a, b) => a.rank - b.rank || a.watts - b.watts)
    .map(({ load }) => ({ by: 'off', loadId: load.id }));
}
