import { loadOf } from '../rig/lookup.js';
import type { AskedSet, Change } from './change.js';
import { changesByHand } from './changes-by-hand.js';
import { changesOfRig, purchases } from './changes-of-rig.js';
import { changesOfSupply } from './changes-of-supply.js';
import { effortOf } from './effort.js';
import type { Trials } from './trials.js';

/** All single changes but those whose size is searched for, the least effort first. */
export function singleChanges(trials: Trials, kept: ReadonlySet<string>): readonly Change[] {
  const { asked, failing, base } = trials;
  const byHand = changesByHand(asked, failing, kept);
  return [
    ...byHand,
    ...habits(trials),
    ...waits(asked),
    ...changesOfSupply(asked, base),
    ...changesOfRig(asked, failing),
    ...purchases(asked, failing),
  ]
    .map((change) => ({ change, effort: effortOf(asked, change) }))
    .sort((a, b) => a.effort - b.effort)
    .map(({ change }) => change);
}

/** What is switched off before a tool is restarted, where its restart is not kept. */
function habits({ base }: Trials): readonly Change[] {
  return base.restarts
    .filter(({ limit, switchOffFirst }) => limit.verdict !== 'holds' && switchOffFirst.length > 0)
    .map(({ loadId, switchOffFirst }) => ({ by: 'habit', restartsId: loadId, offIds: switchOffFirst }));
}

/** Of two that are switched by hand, the one that runs longer waits for the other. */
function waits({ rig, scene }: AskedSet): readonly Change[] {
  const loads = scene.on
    .map(({ load }) => loadOf(rig, load))
    .filter(({ usage, isProtected }) => usage !== 'by-itself' && isProtected !== 'yes')
    .sort((a, b) => (a.runsMinutes ?? Infinity) - (b.runsMinutes ?? Infinity));
  return loads.flatMap((first, index) =>
    loads.slice(index + 1).map((second): Change => ({ by: 'wait', loadId: second.id, forId: first.id })),
  );
}

/** Of some changes one is enough: the fullest level that holds, the thinnest cable, one limit. */
export function oneOf(change: Change): string {
  switch (change.by) {
    case 'state':
    case 'circuit':
      return `${change.by} ${change.loadId}`;
    case 'battery-cable':
    case 'circuit-cable':
    case 'input-limit':
      return change.by;
    default:
      return '';
  }
}
