import { withFollowersOf, type Rig, type Scene } from '@heliarch/core/rig';
import type { CheckScene } from '@heliarch/core/check';
import { BadInput } from './exit-codes.ts';

export interface SceneOptions {
  readonly supply?: string;
  readonly on?: string;
  readonly scene?: string;
}

/** The scene to check: one of the file, or the loads and the supply named on the command line. */
export function sceneOf(rig: Rig, options: SceneOptions): CheckScene & Pick<Scene, 'charge'> {
  const saved = options.scene === undefined ? undefined : savedScene(rig, options.scene);
  const supply = options.supply === undefined ? saved?.supply : supplyId(rig, options.supply);
  const on = options.on === undefined ? saved?.on : withFollowers(rig, loadsOn(rig, options.on));
  if (supply === undefined)
    throw new BadInput(`--supply: name one of ${idsOf(rig.supplies)}, or use --scene.`);
  if (on === undefined) throw new BadInput(`--on: name some of ${idsOf(rig.loads)}, or use --scene.`);
  return { supply, on, charge: saved?.charge, ...(saved?.startOrder && { startOrder: saved.startOrder }) };
}

/** What starts with a load that is named is on with it. */
function withFollowers(rig: Rig, on: CheckScene['on']): CheckScene['on'] {
  const named = new Map(on.map((each) => [each.load, each]));
  return withFollowersOf(rig, [...named.keys()]).map((load) => named.get(load) ?? { load });
}

function savedScene(rig: Rig, id: string): Scene {
  const scene = rig.scenes.find((candidate) => candidate.id === id);
  if (!scene) throw new BadInput(`--scene: "${id}" is not in this rig; use one of ${idsOf(rig.scenes)}.`);
  return scene;
}

export function supplyId(rig: Rig, id: string): string {
  if (rig.supplies.some((supply) => supply.id === id)) return id;
  throw new BadInput(`--supply: "${id}" is not in this rig; use one of ${idsOf(rig.supplies)}.`);
}

/** `kettle,hob@low`: loads by id, each with a state where it is not to run in full. */
export function loadsOn(rig: Rig, list: string, option = '--on'): CheckScene['on'] {
  const entries = list
    .split(',')
    .map((entry) => entry.trim())
    .filter(Boolean)
    .map((entry) => loadOn(rig, entry, option));
  return entries.filter(({ load }, index) => entries.findIndex((other) => other.load === load) === index);
}

function loadOn(rig: Rig, entry: string, option: string): CheckScene['on'][number] {
  const [id = '', stateId] = entry.split('@');
  const load = rig.loads.find((candidate) => candidate.id === id);
  if (!load) throw new BadInput(`${option}: "${id}" is not in this rig; use some of ${idsOf(rig.loads)}.`);
  if (stateId === undefined) return { load: id };
  const states = load.states ?? [];
  if (states.some((state) => state.id === stateId)) return { load: id, state: stateId };
  const known = states.length > 0 ? `use one of ${idsOf(states)}` : 'it has none';
  throw new BadInput(`${option}: ${id} has no state "${stateId}"; ${known}.`);
}

const idsOf = (entries: readonly { readonly id: string }[]): string => entries.map(({ id }) => id).join(', ');
