import { withFollowersOf } from '../rig/followers.js';
import { lowerStates } from '../changes/changes-by-hand.js';
import { wattsCounted } from '../loads/watts-counted.js';
import { loadOf } from '../rig/lookup.js';
import type { Load } from '../rig-file/schema.js';
import type { CompiledRig } from '../check/wiring/compile.js';
import { decidingLimit } from '../check/limits/limit-order.js';
import type { Limit } from '../check/limits/limit.js';
import type { CheckScene } from '../check/situation.js';
import { holdsJoined, joiningOf, limitsOfJoining } from '../check/joining.js';

/** What a hand does first so that a load can be switched on. */
export type MakesRoom =
  | { readonly by: 'off'; readonly loadIds: readonly string[] }
  /** Of the load itself, or of one that runs. */
  | { readonly by: 'state'; readonly loadId: string; readonly stateId: string }
  | { readonly by: 'supply'; readonly supplyId: string };

/** A change after which every limit holds at the pessimistic edge, and what decides then. */
export interface RoomMade {
  readonly change: MakesRoom;
  readonly limit: Limit | undefined;
}

/**
 * The least change that makes it yes: the load itself on less, one load off by hand, one on less, one that starts by itself
 * off at its switch, another supply, and only then several off, as few as possible. Never a load that is protected.
 *
 * @returns Undefined where none of these helps.
 */
export function roomFor(compiled: CompiledRig, scene: CheckScene, loadId: string): RoomMade | undefined {
  for (const change of changesFor(compiled, scene, loadId)) {
    const made = tried(compiled, scene, loadId, change);
    if (made) return made;
  }
  return severalOff(compiled, scene, loadId);
}

function changesFor(compiled: CompiledRig, scene: CheckScene, loadId: string): readonly MakesRoom[] {
  const { rig } = compiled;
  const watts = (load: Load, state: string | undefined): number => wattsCounted(rig, load, state);
  const statesOf = (id: string, state: string | undefined): readonly MakesRoom[] =>
    lowerStates(rig, loadOf(rig, id), state)
      .flatMap((change) => (change.by === 'state' ? [change] : []))
      .sort((a, b) => watts(loadOf(rig, id), b.stateId) - watts(loadOf(rig, id), a.stateId));
  const running = scene.on
    .map(({ load, state }) => ({ load: loadOf(rig, load), state }))
    .sort((a, b) => watts(a.load, a.state) - watts(b.load, b.state));
  const off = ({ load }: { readonly load: Load }): MakesRoom => ({ by: 'off', loadIds: [load.id] });
  const free = running.filter(({ load }) => load.isProtected !== 'yes');
  return [
    ...statesOf(loadId, undefined),
    ...free.filter(({ load }) => load.usage !== 'by-itself').map(off),
    ...running.flatMap(({ load, state }) => statesOf(load.id, state)),
    ...free.filter(({ load }) => load.usage === 'by-itself').map(off),
    ...rig.supplies
      .filter(({ id }) => id !== scene.supply)
      .map(({ id }): MakesRoom => ({ by: 'supply', supplyId: id })),
  ];
}

function tried(
  compiled: CompiledRig,
  scene: CheckScene,
  loadId: string,
  change: MakesRoom,
): RoomMade | undefined {
  const state = change.by === 'state' && change.loadId === loadId ? change.stateId : undefined;
  const joined = joiningOf(compiled, changedBy(scene, change), loadId, state);
  if ('because' in joined) return undefined;
  if (change.by === 'off' && comesBackOn(compiled, scene, change)) return undefined;
  // On another supply nothing of what is on may go dark in silence.
  if (change.by === 'supply' && joined.situation.notFed.length > 0) return undefined;
  return holdsJoined(joined) ? { change, limit: decidingLimit(limitsOfJoining(joined)) } : undefined;
}

/** What was switched off, and starts all the same with a load that stays on. */
function comesBackOn(
  { rig }: CompiledRig,
  scene: CheckScene,
  change: Extract<MakesRoom, { readonly by: 'off' }>,
): boolean {
  const staying = changedBy(scene, change).on.map(({ load }) => load);
  return withFollowersOf(rig, staying).some((id) => change.loadIds.includes(id));
}

/** What is on once a hand has done it. */
export function changedBy(scene: CheckScene, change: MakesRoom): CheckScene {
  switch (change.by) {
    case 'off':
      return { ...scene, on: scene.on.filter(({ load }) => !change.loadIds.includes(load)) };
    case 'state':
      return {
        ...scene,
        on: scene.on.map((each) => (each.load === change.loadId ? { ...each, state: change.stateId } : each)),
      };
    case 'supply':
      return { ...scene, supply: change.supplyId };
  }
}

/** The largest off first until it holds; of those, each that turns out not to be needed stays on. */
function severalOff(compiled: CompiledRig, scene: CheckScene, loadId: string): RoomMade | undefined {
  const { rig } = compiled;
  const mayGo = scene.on
    .map(({ load, state }) => ({ load: loadOf(rig, load), state }))
    .filter(({ load }) => load.isProtected !== 'yes')
    .sort((a, b) => wattsCounted(rig, b.load, b.state) - wattsCounted(rig, a.load, a.state))
    .map(({ load }) => load.id);
  const makes = (loadIds: readonly string[]): RoomMade | undefined =>
    tried(compiled, scene, loadId, { by: 'off', loadIds });
  const enough = mayGo.findIndex((_, index) => makes(mayGo.slice(0, index + 1)));
  if (enough < 0) return undefined;
  const needed = mayGo.slice(0, enough + 1).reduceRight<readonly string[]>(
    (off, id) => {
      const without = off.filter((each) => each !== id);
      return without.length > 0 && makes(without) ? without : off;
    },
    mayGo.slice(0, enough + 1),
  );
  return makes(needed);
}
