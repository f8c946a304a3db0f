import type { Demand } from '../../loads/apparent-power.js';
import { bankLimit } from '../../battery/battery-bank.js';
import { plainDemand } from '../../supply/assist.js';
import { ampacity, sectionOf } from '../../protection/cable.js';
import { cutOffWatts, rippledAmps } from '../../battery/dc-side.js';
import { fuseBand, usualFuseMultiple } from '../../protection/fuse.js';
import type { Interval } from '../../units/quantity.js';
import {
  CHEMISTRIES,
  REFERENCE_VOLTS,
  RIPPLE,
  TYPICAL_CUT_OFF_V,
  USUAL_DISCHARGE_RATE,
  USUAL_DISCHARGE_SURGES,
} from '../../reference/batteries.js';
import type { Battery } from '../../rig-file/schema.js';
import { bankAmps, dcPathOf, isSagKnown, sharesOf } from './dc-path.js';
import { heatedConductor } from './heated-conductor.js';
import { exactCapacity, judge, type CapacityWithDoubt, type Limit, type StartTested } from './limit.js';
import type { BatteryElement, InverterElement } from '../wiring/series-elements.js';

/** What a bank gives before and while something is tested, W, and how long that lasts. */
export interface DcCase {
  readonly running: Demand;
  readonly demand: Demand;
  /** What runs for at least so long, W: a cable heats by what lasts. Nothing for a start. */
  readonly lasting: readonly { readonly seconds: number; readonly demand: Demand }[];
  /** Set for a start. */
  readonly start?: StartTested;
  /** The inverters that draw from it meanwhile. */
  readonly inverters: readonly InverterElement[];
  /** While a source may share the start, nothing on the DC side makes it trip for certain. */
  readonly isShared?: boolean;
  readonly weighed: Limit['weighed'];
  /** Appended to the ids of a start's limits. */
  readonly idSuffix: string;
}

const FOR_HOURS: Interval = { lo: Infinity, stated: Infinity, hi: Infinity };

/**
 * Every limit of the DC side: discharge rating and tiers, both cut-off voltages, fuse and cable of the
 * battery that carries most.
 *
 * @returns Nothing for what is not entered. Source: methods.md 6 and rule 13.
 */
export function dcLimits(element: BatteryElement, dcCase: DcCase): readonly Limit[] {
  const { start } = dcCase;
  const path = dcPathOf(element, start?.seconds.hi);
  const amps = { running: bankAmps(path, dcCase.running), demand: bankAmps(path, dcCase.demand) };
  if (amps.demand.hi === 0) return [];
  const shares = sharesOf(element);
  return [
    ...dischargeLimit(element, dcCase, amps),
    ...cutOffLimits(element, dcCase),
    ...element.batteries.flatMap((battery, index) => {
      const share = shares[index] ?? ALONE;
      const own = inOneBattery(amps, share);
      const inThis = (watts: Demand): Demand => {
        const demand = bankAmps(path, watts);
        return inOneBattery({ running: demand, demand }, share).demand;
      };
      return [
        ...fuseLimit(element, battery, dcCase, own),
        ...(start ? [] : cableLimit(element, battery, dcCase, own, inThis)),
      ];
    }),
  ];
}

interface DcAmps {
  readonly running: Demand;
  readonly demand: Demand;
}

function dischargeLimit(element: BatteryElement, dcCase: DcCase, amps: DcAmps): readonly Limit[] {
  const { lo, stated, hi } = dcCase.start?.seconds ?? FOR_HOURS;
  const shares = sharesOf(element);
  const bank = (seconds: number, edge: 'stated' | 'hi'): number =>
    bankLimit(
      element.batteries.map((battery) => dischargeCeilingA(battery, seconds, edge)),
      shares.map((share) => share[edge]),
    );
  return [
    dcLimit(
      element,
      dcCase,
      'amps',
      dcCase.start ? 'battery-start' : 'battery',
      'A',
      amps,
      forShared(dcCase, bank(hi, 'hi'), bank(stated, 'stated'), bank(lo, 'stated')),
    ),
  ];
}

/** Whether anything is entered of what a battery may give. */
export const saysWhatItGives = ({ dischargeA, tiers = [] }: Battery): boolean =>
  dischargeA !== undefined || tiers.length > 0;

/** The highest discharge tier that outlasts a time, A; of a battery of which nothing is entered what is usual for its size. */
function dischargeCeilingA(battery: Battery, seconds: number, edge: 'stated' | 'hi'): number {
  const { dischargeA = 0, tiers = [] } = battery;
  if (!saysWhatItGives(battery)) return usualDischargeA(battery, seconds, edge);
  return Math.max(dischargeA, ...tiers.filter((tier) => tier.seconds >= seconds).map((tier) => tier.amps));
}

/**
 * What a battery usually gives of which no amps are entered, A: 1 C of lithium and 0.5 C of lead, half of it at worst, and
 * more for a start.
 *
 * Source: common practice, no published source (methods.md, rule 43); low.
 */
function usualDischargeA({ chemistry, ampHours }: Battery, seconds: number, edge: 'stated' | 'hi'): number {
  const kinds = chemistry ? [chemistry] : CHEMISTRIES;
  const rates = kinds.map((kind) => USUAL_DISCHARGE_RATE[kind][edge === 'hi' ? 'least' : 'usual']);
  const rate = edge === 'hi' ? Math.min(...rates) : Math.max(...rates);
  const surge = USUAL_DISCHARGE_SURGES.find((each) => each.seconds >= seconds)?.times ?? 1;
  return ampHours.value * rate * surge;
}

/** The battery cuts off by the volts at its terminals, the inverter by those behind the cable. */
function cutOffLimits(element: BatteryElement, dcCase: DcCase): readonly Limit[] {
  if (!isSagKnown(element)) return [];
  const { openV, batteryOhms, wholeOhms } = dcPathOf(element, dcCase.start?.seconds.hi);
  const watts = { running: dcCase.running, demand: dcCase.demand };
  const at = (ohms: Interval, cutOffV: number): CapacityWithDoubt => {
    const most = (volts: number, resistance: number): number =>
      cutOffWatts({ openV: volts, ohms: resistance }, cutOffV);
    return forShared(
      dcCase,
      most(openV.lo, ohms.hi),
      most(openV.stated, ohms.stated),
      most(openV.hi, ohms.lo),
    );
  };
  const kind = dcCase.start ? 'dc-volts-start' : 'dc-volts';
  const own = element.batteries.flatMap(({ cutOffV }) => cutOffV ?? []);
  return [
    ...(dcCase.inverters.length > 0
      ? [
          dcLimit(
            element,
            dcCase,
            'inverter-volts',
            kind,
            'W',
            watts,
            at(wholeOhms, inverterCutOffV(dcCase.inverters, element.volts)),
          ),
        ]
      : []),
    ...(own.length > 0
      ? [dcLimit(element, dcCase, 'battery-volts', kind, 'W', watts, at(batteryOhms, Math.max(...own)))]
      : []),
  ];
}

/** The highest cut-off among the inverters of a bus, V; where none is entered, usual for the volts. */
function inverterCutOffV(inverters: readonly InverterElement[], volts: number): number {
  const entered = inverters.flatMap(({ converter }) => converter.cutOffV ?? []);
  const twelves = Math.round(volts / REFERENCE_VOLTS);
  return entered.length > 0 ? Math.max(...entered) : TYPICAL_CUT_OFF_V * twelves;
}

/** A fuse heats by the rms of a rippling current; the battery that carries most blows its fuse first. */
function fuseLimit(element: BatteryElement, battery: Battery, dcCase: DcCase, own: DcAmps): readonly Limit[] {
  const { fuse } = battery;
  if (!fuse) return [];
  const { lo, stated, hi } = dcCase.start?.seconds ?? FOR_HOURS;
  return [
    dcLimit(
      element,
      dcCase,
      `${battery.id}:fuse`,
      dcCase.start ? 'dc-fuse-start' : 'dc-fuse',
      'A',
      own,
      forShared(
        dcCase,
        fuse.amps * fuseBand(fuse, hi).pessimistic,
        fuse.amps * usualFuseMultiple(fuse, stated),
        fuse.amps * fuseBand(fuse, lo).optimistic,
      ),
    ),
  ];
}

/** A source that may take a start may spare the battery all of it: nothing is certain there but the worst case. */
function forShared(
  { isShared }: Pick<DcCase, 'isShared'>,
  pessimistic: number,
  stated: number,
  optimistic: number,
): CapacityWithDoubt {
  return isShared
    ? exactCapacity(pessimistic, Infinity, Infinity)
    : exactCapacity(pessimistic, stated, optimistic);
}

function cableLimit(
  element: BatteryElement,
  battery: Battery,
  dcCase: DcCase,
  own: DcAmps,
  inThis: (watts: Demand) => Demand,
): readonly Limit[] {
  const { cable } = battery;
  const school = cable?.awg === undefined ? 'iec' : element.ampacitySchool;
  const carries = cable && ampacity(cable, school);
  if (!cable || carries === undefined) return [];
  const { demand, capacity } = heatedConductor(
    carries,
    sectionOf(cable),
    dcCase.lasting.map(({ seconds, demand: watts }) => ({ seconds, amps: inThis(watts) })),
  );
  return [
    dcLimit(
      element,
      dcCase,
      `${battery.id}:cable`,
      'dc-cable',
      'A',
      { running: own.running, demand },
      capacity,
    ),
  ];
}

const ALONE: Interval = { lo: 1, stated: 1, hi: 1 };

/** A fuse and a cable heat by the rms of a rippling current, and of their own battery's share. */
function inOneBattery({ running, demand }: DcAmps, share: Interval): DcAmps {
  const own = ({ lo, stated, hi }: Demand): Demand => {
    const amps = { lo: lo * share.lo, stated: stated * share.stated, hi: hi * share.hi };
    const rms = rippledAmps(amps, RIPPLE);
    return plainDemand(rms.lo, rms.stated, rms.hi);
  };
  return { running: own(running), demand: own(demand) };
}

function dcLimit(
  element: BatteryElement,
  { start, weighed, idSuffix }: DcCase,
  id: string,
  kind: Limit['kind'],
  unit: Limit['unit'],
  { running, demand }: { readonly running: Demand; readonly demand: Demand },
  capacity: CapacityWithDoubt,
): Limit {
  return judge({
    id: `${element.id}:${id}${idSuffix}`,
    kind,
    element,
    unit,
    running,
    demand,
    capacity,
    weighed,
    ...(start && { start }),
  });
}
