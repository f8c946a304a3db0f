import { batteryStoreOf, type BatteryStore } from '../energy/battery-store.js';
import type { Edge } from '../quantity/quantity.js';
import type { Day } from '../rig/schema.js';
import { MOST_IN_A_MASK } from '../sets/bits.js';
import { compile, type CompiledRig } from '../system/compile.js';
import { slotsOf } from './clock.js';
import { SetsOnSupply } from './sets-on-supply.js';
import { skyOf, type Sky } from './sky.js';
import { suppliesOverTime, type SuppliesOverTime } from './supplies-over-time.js';
import { tasksOf, type Tasks } from './tasks.js';

const PERCENT = 100;
/** Charge at the beginning where none is entered, %. */
const USUAL_START_PERCENT = 100;

/** A day with all that a plan of it is judged by. */
export interface DaySystem extends Tasks {
  /** The rig, its loads running as long as their jobs take. */
  readonly compiled: CompiledRig;
  readonly day: Day;
  readonly slots: number;
  readonly store: BatteryStore;
  readonly sky: Sky;
  readonly supplies: SuppliesOverTime;
  readonly startWh: number;
  /** What must be left at the end, Wh. */
  readonly targetWh: number;
  /** Whether tight moments are kept out. */
  readonly edge: Edge;
  /** Which loads run at once on a supply; kept from question to question. */
  readonly setsOn: (supplyId: string) => SetsOnSupply;
}

/**
 * A day of a rig, ready to be planned.
 *
 * @throws RangeError where its jobs ask for more load states than a set can have.
 */
export function daySystemOf(asEntered: CompiledRig, day: Day): DaySystem {
  const asked = tasksOf(asEntered.rig, day);
  const compiled = withMinutes(asEntered, asked.minutesOfLoads);
  const { rig } = compiled;
  if (asked.states.length > MOST_IN_A_MASK)
    throw new RangeError(`The day asks for more than ${MOST_IN_A_MASK} loads and states`);
  const store = batteryStoreOf(rig);
  const edge: Edge = day.tight === 'allowed' ? 'optimistic' : 'pessimistic';
  const known = setsKnownOf(compiled);
  const statesKey = `${edge} ${JSON.stringify(asked.states)}`;
  const share = (percent: number): number => (store.fullWh * percent) / PERCENT;
  return {
    ...asked,
    compiled,
    day,
    slots: slotsOf(day),
    store,
    sky: skyOf(rig, day),
    supplies: suppliesOverTime(rig, day),
    startWh: share(day.startPercent ?? USUAL_START_PERCENT),
    targetWh: Math.max(store.reserveWh, share(day.targetPercent ?? 0)),
    edge,
    setsOn: (supplyId) => {
      const key = `${supplyId} ${statesKey}`;
      const sets = known.get(key) ?? new SetsOnSupply(compiled.on(supplyId), asked.states, edge);
      known.set(key, sets);
      return sets;
    },
  };
}

/** Rigs whose loads run as long as the jobs of a day take, by the rig they come from. */
const WITH_MINUTES = new WeakMap<CompiledRig, Map<string, CompiledRig>>();

function withMinutes(compiled: CompiledRig, minutesOfLoads: ReadonlyMap<string, number>): CompiledRig {
  const known = WITH_MINUTES.get(compiled) ?? new Map<string, CompiledRig>();
  WITH_MINUTES.set(compiled, known);
  const key = JSON.stringify([...minutesOfLoads]);
  const { rig } = compiled;
  const found =
    known.get(key) ??
    compile({
      ...rig,
      loads: rig.loads.map((load) => ({
        ...load,
        runsMinutes: minutesOfLoads.get(load.id) ?? load.runsMinutes,
      })),
    });
  known.set(key, found);
  return found;
}

/** What is known of sets of a rig outlives one plan: a piece that is dragged asks about the same ones again. */
const SETS_KNOWN = new WeakMap<CompiledRig, Map<string, SetsOnSupply>>();

function setsKnownOf(compiled: CompiledRig): Map<string, SetsOnSupply> {
  const known = SETS_KNOWN.get(compiled) ?? new Map<string, SetsOnSupply>();
  SETS_KNOWN.set(compiled, known);
  return known;
}
