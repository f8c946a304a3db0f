import { compile, type CompiledRig } from '../check/wiring/compile.js';
import type { Circuit, Load, Rig } from '../rig-file/schema.js';
import { decidingLimit } from '../check/limits/limit-order.js';
import type { Limit } from '../check/limits/limit.js';
import { momentsOf, situationOf, steadyLimitsOf, type CheckScene } from '../check/situation.js';

/** What a guest may switch on without asking: a hair dryer, a heater. */
export const USUAL_UNPLANNED_W = 1500;
const MOST_W = 4000;
const STEPS = 9;

/** What one more load on a circuit does, without a start of its own. */
export interface UnplannedLoad {
  readonly circuit: Circuit;
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
 * @returns Circuits that are fed, the weakest first. Source: physics.
 */
export function unplannedLoadsOf(
  rig: Rig,
  scene: CheckScene,
  watts = USUAL_UNPLANNED_W,
): readonly UnplannedLoad[] {
  const { circuitsOn, limitsWith } = withSomethingMore(rig);
  const holds = (circuit: Circuit, size: number): boolean =>
    limitsWith(scene, circuit, size).every((limit) => limit.verdict === 'holds');
  return circuitsOn(scene.supply)
    .map((circuit) => ({
      circuit,
      mostW: mostWatts((size) => holds(circuit, size)),
      limit: decidingLimit(limitsWith(scene, circuit, watts)),
    }))
    .sort((a, b) => a.mostW - b.mostW);
}

/** A rig in which something may be plugged in on any circuit with free outlets. */
export interface WithSomethingMore {
  /** Circuits with free outlets that are fed on a supply. */
  readonly circuitsOn: (supplyId: string) => readonly Circuit[];
  /** Everything steady and every start that can happen at any moment, with so many watts more on a circuit. */
  readonly limitsWith: (scene: CheckScene, circuit: Circuit, watts: number) => readonly Limit[];
}

/** The same for many sets of one rig, which is compiled once. */
export function withSomethingMore(rig: Rig): WithSomethingMore {
  const marked = rig.circuits.filter((circuit) => circuit.hasFreeOutlets === 'yes');
  const isAc = (busId: string): boolean => rig.buses.some((bus) => bus.id === busId && bus.kind === 'ac');
  const circuits = marked.length > 0 ? marked : rig.circuits.filter((circuit) => isAc(circuit.bus));
  const compiled = compile({ ...rig, loads: [...rig.loads, ...circuits.map((each) => unplanned(each))] });
  return {
    circuitsOn: (supplyId) =>
      circuits.filter((circuit) => !compiled.on(supplyId).whyNotFed(unplanned(circuit).id)),
    limitsWith: (scene, circuit, watts) => limitsWith(compiled, scene, circuit, watts),
  };
}

function mostWatts(holds: (watts: number) => boolean): number {
  if (holds(MOST_W)) return MOST_W;
  let [fits, fails] = [0, MOST_W];
  for (let step = 0; step < STEPS; step += 1) {
    const middle = (fits + fails) / 2;
    if (holds(middle)) fits = middle;
    else fails = middle;
  }
  return fits;
}

/** Everything steady and every start that can happen at any moment, with something more plugged in. */
function limitsWith(
  compiled: CompiledRig,
  scene: CheckScene,
  circuit: Circuit,
  watts: number,
): readonly Limit[] {
  const load = unplanned(circuit, watts);
  const system = compiled.withNumbersOf(load).on(scene.supply);
  const situation = situationOf(system, { ...scene, on: [...scene.on, { load: load.id }] });
  return [...steadyLimitsOf(situation, situation.consumers), ...momentsOf(situation, situation.consumers)];
}

/** One resistive load of some size on a circuit, under an id that no load of a rig file can have. */
function unplanned(circuit: Circuit, watts = 0): Load {
  return {
    id: `unplanned on ${circuit.id}`,
    name: 'Something more',
    circuit: circuit.id,
    usage: 'left-on',
    parts: [{ id: 'main', kind: 'resistance-heater', runningW: { value: watts, basis: 'setting' } }],
  };
}
