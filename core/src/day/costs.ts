import { powerOfSet } from './power-of-set.js';
import { BATTERY_CHARGER_EFFICIENCY } from '../reference/conversion-defaults.js';
import { withoutCharging } from '../rig/edits.js';
import type { Rig, Supply } from '../rig-file/schema.js';
import { compile, type CompiledRig, type System } from '../check/wiring/compile.js';
import { HOURS_OF_A_SLOT } from './clock.js';
import type { Timetable } from './plan/timetable.js';

const WH_OF_A_KWH = 1000;

/** Energy with what it costs; undefined where no price was entered. */
export interface Cost {
  readonly wh: number;
  readonly cost: number | undefined;
}

/** What a plan takes from each source. */
export interface SupplyCost extends Cost {
  readonly supply: string;
}

/** What an hour of a load takes on each supply that feeds it, by the supply's id. */
export interface HourOfLoad {
  readonly load: string;
  readonly on: Readonly<Record<string, Cost>>;
}

const costOf = ({ pricePerKWh }: Supply, wh: number): Cost => ({
  wh,
  cost: pricePerKWh === undefined ? undefined : (pricePerKWh * wh) / WH_OF_A_KWH,
});

/**
 * What a plan takes from hookups and generators, charging included as far as the battery takes it.
 *
 * @returns Wh, and the cost in the currency of the rig. Source: energy balance (physics).
 */
export function costsOfPlan(timetable: Timetable): readonly SupplyCost[] {
  const { system, supplies } = timetable;
  const { givenW } = timetable.chargeAsStated();
  const energies = new Map<string, number>();
  supplies.forEach((supply, slot) => {
    const sets = timetable.setsAt(slot);
    if (supply === undefined || !sets) return;
    const { fromSource, charged } = sets.power(timetable.runningAt(slot));
    const given = Math.min(charged, givenW[slot] ?? 0);
    const watts = fromSource - (charged - given) / BATTERY_CHARGER_EFFICIENCY.usual;
    energies.set(supply, (energies.get(supply) ?? 0) + watts * HOURS_OF_A_SLOT);
  });
  return system.compiled.rig.supplies
    .filter(({ id, sources }) => sources.length > 0 && (energies.get(id) ?? 0) > 0)
    .map((supply) => ({ supply: supply.id, ...costOf(supply, energies.get(supply.id) ?? 0) }));
}

/**
 * What an hour of each load takes on each supply, as the mean over its cycles and with nothing else on: from the battery with
 * the losses it adds, from a source what passes its meter. Where a source is helped by the battery, both are counted.
 *
 * @returns Source: energy balance (physics), loss curve by methods.md 6.
 */
export function hoursOfLoads({ rig }: CompiledRig): readonly HourOfLoad[] {
  const notCharging = compile(
    rig.supplies.reduce((changed: Rig, { id }) => withoutCharging(changed, id), rig),
  );
  const battery = rig.supplies.find(({ sources }) => sources.length === 0);
  return rig.loads.map(({ id }) => ({
    load: id,
    on: Object.fromEntries(
      rig.supplies.flatMap((supply) => {
        const cost = hourOn(notCharging.on(supply.id), battery, id);
        return cost ? [[supply.id, cost]] : [];
      }),
    ),
  }));
}

function hourOn(system: System, battery: Supply | undefined, loadId: string): Cost | undefined {
  const consumer = system.consumerOf(loadId);
  if (!consumer) return undefined;
  const [nothing, running] = [powerOfSet(system, []), powerOfSet(system, [consumer])];
  const fromBattery = Math.max(0, running.drawn.stated - nothing.drawn.stated);
  const fromSource = Math.max(0, running.fromSource - nothing.fromSource);
  const own = fromSource > 0 ? costOf(system.supply, fromSource) : NOTHING;
  const help = fromBattery > 0 && battery ? costOf(battery, fromBattery) : NOTHING;
  const cost = own.cost === undefined || help.cost === undefined ? undefined : own.cost + help.cost;
  return { wh: fromSource + fromBattery, cost };
}

const NOTHING: Cost = { wh: 0, cost: 0 };
