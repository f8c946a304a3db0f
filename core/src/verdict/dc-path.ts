import { coldFactor, parallelShares, typicalOhms, typicalRestVolts } from '../electrical/battery-bank.js';
import { cableOhmsAtEdges } from '../electrical/cable.js';
import { dcAmps } from '../electrical/dc-side.js';
import type { Demand } from '../electrical/apparent-power.js';
import { plainDemand } from '../electrical/assist.js';
import type { Interval } from '../quantity/quantity.js';
import { CONTACT_OHMS, CONTACTS_IN_PATH, UNEQUAL_SHARE } from '../reference/batteries.js';
import { intervalOf } from '../rig/half-widths.js';
import type { Battery } from '../rig/schema.js';
import type { BatteryElement } from '../system/series-elements.js';

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
 * Source: methods.md 5.1; resistances and rest volts by reference/batteries.ts.
 */
export function dcPathOf(element: BatteryElement): DcPath {
  const { batteries, volts, celsius } = element;
  const openV = batteries.map((battery) => openVolts(battery, volts));
  const own = batteries.map((battery) => ownOhms(battery, volts, celsius));
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
 * The largest part of a bank's current that one of its batteries takes, at the edges: with entered
 * resistances by physics, else evenly, or a tenth more where that is not known to be so.
 */
export function largestShare(element: BatteryElement): Interval {
  const { batteries } = element;
  const known = batteries.map((battery) => battery.ohms);
  const even = 1 / batteries.length;
  if (batteries.length > 1 && known.every((ohms) => ohms !== undefined)) {
    const most = Math.max(...parallelShares(known));
    return { lo: most, stated: most, hi: most };
  }
  const isEven = batteries.length === 1 || batteries.every((battery) => battery.sharesEvenly === 'yes');
  return { lo: even, stated: even, hi: isEven ? even : even * UNEQUAL_SHARE };
}

const NOTHING: Interval = { lo: 0, stated: 0, hi: 0 };

function openVolts({ restV, chemistry }: Battery, nominalV: number): Interval {
  if (restV) return intervalOf(restV, 'rating');
  return chemistry ? typicalRestVolts(chemistry, nominalV) : { lo: nominalV, stated: nominalV, hi: nominalV };
}

function ownOhms(
  { ohms, chemistry, ampHours }: Battery,
  nominalV: number,
  celsius: number | undefined,
): Interval {
  if (ohms !== undefined) {
    const cold = ohms * (chemistry && celsius !== undefined ? coldFactor(chemistry, celsius) : 1);
    return { lo: cold, stated: cold, hi: cold };
  }
  return chemistry ? typicalOhms(chemistry, nominalV, ampHours.value, celsius) : NOTHING;
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
