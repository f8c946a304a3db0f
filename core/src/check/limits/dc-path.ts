import {
  coldFactor,
  lowChargeFactor,
  parallelShares,
  restVolts,
  typicalOhms,
} from '../../battery/battery-bank.js';
import { cableOhmsAtEdges } from '../../protection/cable.js';
import { dcAmps } from '../../battery/dc-side.js';
import type { Demand } from '../../loads/apparent-power.js';
import { plainDemand } from '../../supply/assist.js';
import { PERCENT } from '../../units/conversion-factors.js';
import type { Interval } from '../../units/quantity.js';
import {
  CHARGE_AT_EDGES,
  CHARGE_READING_PERCENT,
  CONTACT_OHMS,
  CONTACTS_IN_PATH,
  UNEQUAL_SHARE,
} from '../../reference/batteries.js';
import { intervalOf } from '../../rig-file/half-widths.js';
import type { Battery } from '../../rig-file/schema.js';
import type { BatteryElement } from '../wiring/series-elements.js';

/** What the batteries of a bus are to an inverter: open-circuit volts behind two resistances, at the edges. */
export interface DcPath {
  readonly openV: Interval;
  /** Of the batteries alone, ohm. */
  readonly batteryOhms: Interval;
  /** Of batteries, cables and contacts, ohm. */
  readonly wholeOhms: Interval;
}

/**
 * The path of a bank, strings in parallel. Where neither chemistry nor resistance is known it is a stiff
 * source at its nominal volts, and the interface says that its sag is not checked.
 *
 * @param seconds How long it is asked for, at most: a short start sees less resistance.
 * Source: methods.md 6; resistances and rest volts by reference/batteries.ts.
 */
export function dcPathOf(element: BatteryElement, seconds = Infinity): DcPath {
  const { batteries, volts } = element;
  const openV = batteries.map((battery) => openVolts(element, battery, volts));
  const own = batteries.map((battery) => ownOhms(element, battery, seconds));
  const whole = batteries.map((battery, index) => plus(own[index] ?? NOTHING, pathOhms(battery)));
  const mean = (edge: keyof Interval): number =>
    openV.reduce((sum, each) => sum + each[edge], 0) / openV.length;
  return {
    openV: { lo: mean('lo'), stated: mean('stated'), hi: mean('hi') },
    batteryOhms: inParallel(own),
    wholeOhms: inParallel(whole),
  };
}

/** Whether the sag of a bank can be told. */
export function isSagKnown({ batteries }: BatteryElement): boolean {
  return batteries.every(({ chemistry, ohms }) => chemistry !== undefined || ohms !== undefined);
}

/**
 * The current of a bank at both edges: most watts from the lowest volts through the highest resistance,
 * and the reverse. Where the voltage would collapse, the current at the collapse.
 */
export function bankAmps(path: DcPath, watts: Demand): Demand {
  const at = (openV: number, ohms: number, power: number): number =>
    dcAmps({ openV, ohms }, power) ?? (2 * power) / openV;
  const { openV, wholeOhms } = path;
  return plainDemand(
    at(openV.hi, wholeOhms.lo, watts.lo),
    at(openV.stated, wholeOhms.stated, watts.stated),
    at(openV.lo, wholeOhms.hi, watts.hi),
  );
}

/**
 * The part of a bank's current that each of its batteries takes, at the edges: by conductance, its own cable and
 * contacts included, where resistances are known; else evenly. Where they are not measured, and the batteries
 * not known to share evenly, one may take a tenth more.
 *
 * Source: physics, I_i = I (1/R_i) / sum(1/R); the tenth is common practice, no published source.
 */
export function sharesOf(element: BatteryElement): readonly Interval[] {
  const { batteries } = element;
  if (batteries.length === 1) return [ALL];
  const ohms = batteries.map((battery) => plus(ownOhms(element, battery), pathOhms(battery)).stated);
  const isKnown =
    ohms.every((each) => each > 0) && !batteries.every(({ sharesEvenly }) => sharesEvenly === 'yes');
  const shares = isKnown ? parallelShares(ohms) : batteries.map(() => 1 / batteries.length);
  const isSure =
    batteries.every((battery) => battery.ohms !== undefined) ||
    batteries.every(({ sharesEvenly }) => sharesEvenly === 'yes');
  return shares.map((share) => ({ lo: share, stated: share, hi: isSure ? share : share * UNEQUAL_SHARE }));
}

const ALL: Interval = { lo: 1, stated: 1, hi: 1 };
const NOTHING: Interval = { lo: 0, stated: 0, hi: 0 };

/**
 * State of charge of a battery at the edges, percent: as read with its doubt, at worst no more than its reserve (or what
 * is usual, where that is more), for a reading grows old; where none was read from the reserve to nearly full.
 */
function chargeAtEdges({ charge }: BatteryElement, { reservePercent }: Battery): Interval {
  const reserve = reservePercent ?? CHARGE_AT_EDGES.pessimistic;
  const { pessimistic, stated, optimistic } = CHARGE_AT_EDGES;
  if (!charge) return { lo: reserve, stated: Math.max(reserve, stated), hi: Math.max(reserve, optimistic) };
  const kept = Math.max(reserve, pessimistic);
  return {
    lo: Math.max(0, Math.min(charge.percent - CHARGE_READING_PERCENT, kept)),
    stated: charge.percent,
    hi: Math.min(PERCENT, charge.percent + CHARGE_READING_PERCENT),
  };
}

function openVolts(element: BatteryElement, battery: Battery, nominalV: number): Interval {
  const { restV, chemistry } = battery;
  if (restV) return intervalOf(restV, 'rating');
  if (!chemistry) return { lo: nominalV, stated: nominalV, hi: nominalV };
  const { lo, stated, hi } = chargeAtEdges(element, battery);
  const at = (percent: number): number => restVolts(chemistry, nominalV, percent);
  return { lo: at(lo), stated: at(stated), hi: at(hi) };
}

function ownOhms(element: BatteryElement, battery: Battery, seconds = Infinity): Interval {
  const { ohms, chemistry, ampHours } = battery;
  const { celsius, volts } = element;
  const percent = chargeAtEdges(element, battery);
  if (ohms === undefined)
    return chemistry ? typicalOhms(chemistry, volts, ampHours.value, { celsius, percent, seconds }) : NOTHING;
  const cold = ohms * (chemistry && celsius !== undefined ? coldFactor(chemistry, celsius) : 1);
  const at = (charge: number): number => cold * (chemistry ? lowChargeFactor(chemistry, charge) : 1);
  return { lo: at(percent.hi), stated: at(percent.stated), hi: at(percent.lo) };
}

/** Cable there and back, and the contacts; of a bank of which nothing is known, nothing. */
function pathOhms({ cable, chemistry, ohms }: Battery): Interval {
  if (!chemistry && ohms === undefined) return NOTHING;
  const contacts = {
    lo: CONTACTS_IN_PATH * CONTACT_OHMS.low,
    stated: CONTACTS_IN_PATH * CONTACT_OHMS.usual,
    hi: CONTACTS_IN_PATH * CONTACT_OHMS.high,
  };
  if (!cable) return contacts;
  return plus(contacts, cableOhmsAtEdges(cable));
}

const plus = (a: Interval, b: Interval): Interval => ({
  lo: a.lo + b.lo,
  stated: a.stated + b.stated,
  hi: a.hi + b.hi,
});

function inParallel(each: readonly Interval[]): Interval {
  const at = (edge: keyof Interval): number => {
    const conductance = each.reduce((sum, one) => sum + 1 / one[edge], 0);
    return Number.isFinite(conductance) ? 1 / conductance : 0;
  };
  return { lo: at('lo'), stated: at('stated'), hi: at('hi') };
}
