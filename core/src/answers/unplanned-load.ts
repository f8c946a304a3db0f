import { supplyOf } from '../rig/lookup.js';
import type { Load, Rig } from '../rig/schema.js';
import { decidingLimit, type Limit } from '../verdict/limit.js';
import { momentsOf, situationOf, steadyLimitsOf, type CheckScene } from '../verdict/situation.js';

/** What a guest may switch on without asking: a hair dryer, a heater. */
export const USUAL_SURPRISE_W = 1500;
const MOST_W = 4000;
const STEPS = 9;

/** What one more load on a circuit does, without a start of its own. */
export interface Surprise {
  readonly circuit: Rig['circuits'][number];
  /** The most it may draw so that the set still holds, W; 0 where nothing fits. */
  readonly mostW: number;
  /** The limit that decides at the size asked for. */
  readonly limit: Limit | undefined;
}

/**
 * Which single unexpected switch would trip what is on: one resistive load of some size, on each circuit
 * with free outlets in turn (on every AC circuit, where none is marked).
 *
 * @param watts Its size, W.
 * @returns Circuits that are fed, the weakest first. Source: physics; needs C9.
 */
export function surprisesOf(rig: Rig, scene: CheckScene, watts = USUAL_SURPRISE_W): readonly Surprise[] {
  const marked = rig.circuits.filter((circuit) => circuit.hasFreeOutlets === 'yes');
  const isAc = (busId: string): boolean => rig.buses.some((bus) => bus.id === busId && bus.kind === 'ac');
  const circuits = marked.length > 0 ? marked : rig.circuits.filter((circuit) => isAc(circuit.bus));
  return circuits
    .flatMap((circuit) => {
      const limits = limitsWith(rig, scene, circuit.id, watts);
      if (!limits) return [];
      return [{ circuit, mostW: mostWatts(rig, scene, circuit.id), limit: decidingLimit(limits) }];
    })
    .sort((a, b) => a.mostW - b.mostW);
}

function mostWatts(rig: Rig, scene: CheckScene, circuit: string): number {
  const holds = (watts: number): boolean =>
    limitsWith(rig, scene, circuit, watts)?.every((limit) => limit.verdict === 'holds') ?? false;
  if (holds(MOST_W)) return MOST_W;
  let [fits, fails] = [0, MOST_W];
  for (let step = 0; step < STEPS; step += 1) {
    const middle = (fits + fails) / 2;
    if (holds(middle)) fits = middle;
    else fails = middle;
  }
  return fits;
}

/** Everything steady and every start that can happen at any moment, with the stranger plugged in. */
function limitsWith(
  rig: Rig,
  scene: CheckScene,
  circuit: string,
  watts: number,
): readonly Limit[] | undefined {
  const stranger: Load = {
    id: strangerId(rig),
    name: 'Something more',
    circuit,
    usage: 'left-on',
    parts: [{ id: 'main', kind: 'resistance-heater', runningW: { value: watts, basis: 'setting' } }],
  };
  const more: Rig = { ...rig, loads: [...rig.loads, stranger] };
  const on = [...scene.on, { load: stranger.id }];
  const situation = situationOf(more, supplyOf(more, scene.supply), on);
  if (situation.notFed.some(({ load }) => load.id === stranger.id)) return undefined;
  return [...steadyLimitsOf(situation, situation.consumers), ...momentsOf(situation, situation.consumers)];
}

function strangerId(rig: Rig): string {
  let id = 'something-more';
  while (rig.loads.some((load) => load.id === id)) id = `${id}-x`;
  return id;
}
