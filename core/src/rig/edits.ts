import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { Quantity } from '../units/quantity.js';
import { freeId, freeName } from '../rig-file/free-names.js';
import { offWith, onWith } from './followers.js';
import { keptSource, type SourceRead } from './kept-source.js';
import type { Load, Part, Rig, RunningFrom, Scene } from '../rig-file/schema.js';

/** A number of a part that can be corrected on its own. */
export type PartNumber = 'running' | 'start' | 'seconds';

/** The rig with one scene on another supply. */
export function withSupply(rig: Rig, sceneId: string, supplyId: string): Rig {
  return withScene(rig, sceneId, (scene) => ({ ...scene, supply: supplyId }));
}

/** The rig with a load switched on (at the end of the scene's list) or off, and with it what follows it. */
export function withLoad(rig: Rig, sceneId: string, loadId: string, isOn: boolean): Rig {
  return withScene(rig, sceneId, (scene) => {
    if (!isOn) {
      const leaving = offWith(rig, scene.on, loadId);
      return { ...scene, on: scene.on.filter(({ load }) => !leaving.has(load)) };
    }
    const others = scene.on.filter(({ load }) => load !== loadId);
    return { ...scene, on: [...others, ...onWith(rig, others, loadId).map((load) => ({ load }))] };
  });
}

/** The rig with these loads on in a scene, and no others; those that were on keep their states. */
export function withOnly(rig: Rig, sceneId: string, loadIds: readonly string[]): Rig {
  return withScene(rig, sceneId, (scene) => ({
    ...scene,
    on: loadIds.map((load) => scene.on.find((entry) => entry.load === load) ?? { load }),
  }));
}

/** The rig with one load switched on before or after others: `from` and `to` are places among `order`. */
export function withStartMoved(
  rig: Rig,
  sceneId: string,
  order: readonly string[],
  from: number,
  to: number,
): Rig {
  const moved = order.filter((_, place) => place !== from);
  moved.splice(to, 0, ...order.slice(from, from + 1));
  return withScene(rig, sceneId, (scene) => ({
    ...scene,
    on: [
      ...scene.on.filter(({ load }) => !moved.includes(load)),
      ...moved.flatMap((id) => scene.on.filter(({ load }) => load === id)),
    ],
  }));
}

/** The rig with a load that is on put into another state. */
export function withState(rig: Rig, sceneId: string, loadId: string, state: string): Rig {
  return withScene(rig, sceneId, (scene) => ({
    ...scene,
    on: scene.on.map((entry) => (entry.load === loadId ? { ...entry, state } : entry)),
  }));
}

/** The rig with a load that starts by itself no longer held off at its switch. */
export function withoutHolding(rig: Rig, sceneId: string, loadId: string): Rig {
  return withScene(rig, sceneId, (scene) => ({
    ...scene,
    on: scene.on.map(({ heldOff, ...entry }) =>
      entry.load === loadId || heldOff === undefined ? entry : { ...entry, heldOff },
    ),
  }));
}

/** The rig with a load that stays on when a tool is restarted. */
export function withoutHabits(rig: Rig, sceneId: string, loadId: string): Rig {
  return withScene(rig, sceneId, (scene) => ({
    ...scene,
    on: scene.on.map(({ offAtRestartOf, ...entry }) =>
      entry.load === loadId || offAtRestartOf === undefined ? entry : { ...entry, offAtRestartOf },
    ),
  }));
}

/** The rig with a new reading of the battery's charge. */
export function withCharge(rig: Rig, sceneId: string, percent: number, readAt: string): Rig {
  return withScene(rig, sceneId, (scene) => ({ ...scene, charge: { percent, readAt } }));
}

/** The rig with what is on in one scene kept as a scene of its own, under a name. */
export function withSceneKept(rig: Rig, sceneId: string, name: string): Rig {
  const scene = rig.scenes.find(({ id }) => id === sceneId);
  if (!scene) return rig;
  const own = freeName(
    name,
    rig.scenes.map((each) => each.name),
  );
  const id = freeId(
    own,
    rig.scenes.map((each) => each.id),
  );
  return { ...rig, scenes: [...rig.scenes, { ...scene, id, name: own }] };
}

/** The rig without a scene that was kept; the first is what is on, and stays. */
export function withoutScene(rig: Rig, sceneId: string): Rig {
  return { ...rig, scenes: rig.scenes.filter(({ id }, index) => index === 0 || id !== sceneId) };
}

/** The rig with what an arrival test found of a supply: volts with nothing on, and resistance. */
export function withArrivalTest(rig: Rig, supplyId: string, read: SourceRead): Rig {
  const { emptyV, ohms } = keptSource(read);
  const measured = (value: number): Quantity => ({ value, basis: 'measured' });
  return {
    ...rig,
    supplies: rig.supplies.map((supply) =>
      supply.id === supplyId ? { ...supply, volts: measured(emptyV), sourceOhms: measured(ohms) } : supply,
    ),
  };
}

/** The rig with charging turned off on one of its supplies. */
export function withoutCharging(rig: Rig, supplyId: string): Rig {
  return {
    ...rig,
    supplies: rig.supplies.map((supply) =>
      supply.id === supplyId ? { ...supply, charging: 'off' as const } : supply,
    ),
  };
}

/** The rig with a contradiction that the user knows better than. */
export function withKnown(rig: Rig, contradictionId: string): Rig {
  return { ...rig, known: [...(rig.known ?? []), contradictionId] };
}

/** The rig with one number of one part replaced; a part without a start has no start to correct. */
export function withPartNumber(
  rig: Rig,
  loadId: string,
  partId: string,
  number: PartNumber,
  quantity: Quantity,
): Rig {
  return withPart(rig, loadId, partId, (part) => corrected(part, number, quantity));
}

/** The rig with the running power of one part known by another figure than watts. */
export function withRunningFrom(rig: Rig, loadId: string, partId: string, from: RunningFrom): Rig {
  return withPart(rig, loadId, partId, (part) => withoutForm({ ...part, runningFrom: from }, 'runningW'));
}

function withPart(rig: Rig, loadId: string, partId: string, change: (part: Part) => Part): Rig {
  const correct = (load: Load): Load => ({
    ...load,
    parts: load.parts.map((part) => (part.id === partId ? change(part) : part)),
  });
  return { ...rig, loads: rig.loads.map((load) => (load.id === loadId ? correct(load) : load)) };
}

function corrected(part: Part, number: PartNumber, quantity: Quantity): Part {
  if (number === 'running') return withoutForm({ ...part, runningW: quantity }, 'runningFrom');
  if (!part.start && !kindOfPart(part.kind).startMultiple) return part;
  const { soft, none: _none, ...start } = part.start ?? {};
  // A corrected start is what was seen, so it stands for itself: with its soft starter in it.
  const seen = soft && soft.isBypassed !== 'yes' ? { ...start, softStarter: 'yes' as const } : start;
  if (number === 'start') return { ...part, start: withoutForm({ ...seen, va: quantity }, 'from') };
  return { ...part, start: { ...part.start, seconds: quantity } };
}

/** A number entered directly takes the place of the figures it followed from. */
function withoutForm<T extends object>(value: T, form: keyof T): T {
  return Object.fromEntries(Object.entries(value).filter(([key]) => key !== form)) as T;
}

function withScene(rig: Rig, sceneId: string, change: (scene: Scene) => Scene): Rig {
  return { ...rig, scenes: rig.scenes.map((scene) => (scene.id === sceneId ? change(scene) : scene)) };
}
