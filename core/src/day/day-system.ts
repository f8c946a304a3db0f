import { batteryStoreOf, storeAt, type BatteryStore } from '../battery/battery-store.js';
import { PERCENT } from '../units/conversion-factors.js';
import type { Edge } from '../units/quantity.js';
import type { Day } from '../rig-file/schema.js';
import { MOST_IN_A_MASK } from '../sets/bits.js';
import { compile, type CompiledRig } from '../check/wiring/compile.js';
import { slotsOf } from './clock.js';
import { SetsOnSupply } from './plan/sets-on-supply.js';
import { skyOf, type Sky } from './sky.js';
import { drivesOverTime, suppliesOverTime, type SuppliesOverTime } from './supplies-over-time.js';
import { tasksOf, type Tasks } from './tasks.js';

/** Charge at the beginning where none is entered, %. */
const USUAL_START_PERCENT = 100;

/** A day with all that a plan of it is judged by. */
export interface DaySystem extends Tasks {
  /** The rig, its loads running as long, and switched as often, as their jobs say. */
  readonly compiled: CompiledRig;
  readonly day: Day;
  readonly slots: number;
  readonly store: BatteryStore;
  /** The battery with which a plan has to last; two where a larger one might not be charged as far as is asked. */
  readonly storesToLast: readonly [BatteryStore, ...BatteryStore[]];
  readonly sky: Sky;
  readonly supplies: SuppliesOverTime;
  /** What the vehicle charges with in each step, W. */
  readonly drivesW: readonly number[];
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
  const compiled = asJobsRunThem(asEntered, asked);
  const { rig } = compiled;
  if (asked.states.length > MOST_IN_A_MASK)
    throw new RangeError(`The day asks for more than ${MOST_IN_A_MASK} loads and states`);
  const edge: Edge = day.tight === 'allowed' ? 'stated' : 'pessimistic';
  const known = setsKnownOf(compiled);
  const statesKey = `${edge} ${JSON.stringify(asked.states)}`;
  const ofSupply = new Map<string, SetsOnSupply>();
  const setsOn = (supplyId: string): SetsOnSupply => {
    const own = ofSupply.get(supplyId);
    if (own) return own;
    const key = `${supplyId} ${statesKey}`;
    const sets = known.get(key) ?? new SetsOnSupply(compiled.on(supplyId), asked.states, edge);
    known.set(key, sets);
    ofSupply.set(supplyId, sets);
    return sets;
  };
  const store = withEnergyKept(batteryStoreOf(rig), keptWh(compiled, asked, setsOn));
  const share = (percent: number): number => (store.fullWh * percent) / PERCENT;
  const startWh = share(day.startPercent ?? USUAL_START_PERCENT);
  const targetWh = Math.max(store.reserveWh, share(day.targetPercent ?? 0));
  return {
    ...asked,
    compiled,
    day,
    slots: slotsOf(day),
    store,
    sky: skyOf(rig, day),
    supplies: suppliesOverTime(rig, day),
    drivesW: drivesOverTime(day),
    storesToLast: storesToLast(store, edge, targetWh > startWh),
    startWh,
    targetWh,
    edge,
    setsOn,
  };
}

function storesToLast(store: BatteryStore, edge: Edge, isToBeCharged: boolean): DaySystem['storesToLast'] {
  if (edge !== 'pessimistic') return [store];
  const least = storeAt(store, 'lo');
  return isToBeCharged ? [least, storeAt(store, 'hi')] : [least];
}

/** Energy that is kept for what must never be shed, on top of the reserve. */
const withEnergyKept = (store: BatteryStore, wh: number): BatteryStore => ({
  ...store,
  reserveWh: Math.min(store.fullWh, store.reserveWh + wh),
});

/** What loads take from the battery in the hours that are kept for them, at the edge against the plan. */
function keptWh({ rig }: CompiledRig, { tasks, states }: Tasks, setsOn: DaySystem['setsOn']): number {
  const alone = rig.supplies.find(({ sources }) => sources.length === 0);
  if (!alone || states.length === 0) return 0;
  const watts = (mask: number): number => setsOn(alone.id).power(mask).drawn.hi;
  const byLoad = new Map<string, number>();
  for (const { job, load, stages } of tasks) {
    if (!job.keepsHours) continue;
    const most = Math.max(...stages.map((stage) => watts(stage.states) - watts(0)));
    byLoad.set(load.id, Math.max(byLoad.get(load.id) ?? 0, most * job.keepsHours));
  }
  return [...byLoad.values()].reduce((sum, wh) => sum + Math.max(0, wh), 0);
}

/** Rigs whose loads run as the jobs of a day run them, by the rig they come from. */
const WITH_MINUTES = new WeakMap<CompiledRig, Map<string, CompiledRig>>();

function asJobsRunThem(compiled: CompiledRig, { minutesOfLoads, switching }: Tasks): CompiledRig {
  const known = WITH_MINUTES.get(compiled) ?? new Map<string, CompiledRig>();
  WITH_MINUTES.set(compiled, known);
  const key = JSON.stringify([[...minutesOfLoads], [...switching]]);
  const { rig } = compiled;
  const found =
    known.get(key) ??
    compile({
      ...rig,
      loads: rig.loads.map((load) => ({
        ...load,
        runsMinutes: minutesOfLoads.get(load.id) ?? load.runsMinutes,
        // What is switched again and again meanwhile starts on top of whatever runs.
        usage: switching.has(load.id) && load.usage !== 'by-itself' ? 'during-work' : load.usage,
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
