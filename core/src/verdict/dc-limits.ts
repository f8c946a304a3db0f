import type { Demand } from '../electrical/apparent-power.js';
import { bankLimit } from '../electrical/battery-bank.js';
import { plainDemand } from '../electrical/assist.js';
import { ampacity } from '../electrical/cable.js';
import { cutOffWatts, rmsWithRipple } from '../electrical/dc-side.js';
import { fuseBand } from '../electrical/fuse.js';
import type { Interval } from '../quantity/quantity.js';
import { REFERENCE_VOLTS, RIPPLE, TYPICAL_CUT_OFF_V } from '../reference/batteries.js';
import type { Battery } from '../rig/schema.js';
import { bankAmps, dcPathOf, isSagKnown, sharesOf } from './dc-path.js';
import { exactCapacity, judge, type CapacityWithDoubt, type Limit, type StartTested } from './limit.js';
import type { BatteryElement, InverterElement } from '../system/series-elements.js';

/** What a bank gives before and while something is tested, W, and how long that lasts. */
export interface DcCase {
  readonly running: Demand;
  readonly demand: Demand;
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
      const own = inOneBattery(amps, shares[index] ?? ALONE);
      return [
        ...fuseLimit(element, battery, dcCase, own),
        ...(start ? [] : cableLimit(element, battery, dcCase, own)),
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
  // A battery of which nothing is entered is named as not checked; it takes the limit of no other away.
  const known = element.batteries.flatMap((battery, index) => {
    const share = shares[index];
    return share && saysWhatItGives(battery) ? [{ battery, share }] : [];
  });
  if (known.length === 0) return [];
  const bank = (seconds: number, edge: 'stated' | 'hi'): number =>
    bankLimit(
      known.map(({ battery }) => dischargeCeilingA(battery, seconds)),
      known.map(({ share }) => share[edge]),
    );
  return [
    dcLimit(
      element,
      dcCase,
      'amps',
      dcCase.start ? 'battery-start' : 'battery',
      'A',
      amps,
      exactCapacity(bank(hi, 'hi'), bank(stated, 'stated'), dcCase.isShared ? Infinity : bank(lo, 'stated')),
    ),
  ];
}

/** Whether anything is entered of what a battery may give. */
export const saysWhatItGives = ({ dischargeA, tiers = [] }: Battery): boolean =>
  dischargeA !== undefined || tiers.length > 0;

/** The highest discharge tier that outlasts a time, A. */
function dischargeCeilingA({ dischargeA = 0, tiers = [] }: Battery, seconds: number): number {
  return Math.max(dischargeA, ...tiers.filter((tier) => tier.seconds >= seconds).map((tier) => tier.amps));
}

/** The battery cuts off by the volts at its terminals, the inverter by those behind the cable. */
function cutOffLimits(element: BatteryElement, dcCase: DcCase): readonly Limit[] {
  if (!isSagKnown(element)) return [];
  const { openV, batteryOhms, wholeOhms } = dcPathOf(element, dcCase.start?.seconds.hi);
  const watts = { running: dcCase.running, demand: dcCase.demand };
  const at = (ohms: Interval, cutOffV: number): CapacityWithDoubt => {
    const most = (volts: number, resistance: number): number =>
      cutOffWatts({ openV: volts, ohms: resistance }, cutOffV);
    return exactCapacity(
      most(openV.lo, ohms.hi),
      most(openV.stated, ohms.stated),
      dcCase.isShared ? Infinity : most(openV.hi, ohms.lo),
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
export function inverterCutOffV(inverters: readonly InverterElement[], volts: number): number {
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
      exactCapacity(
        fuse.amps * fuseBand(fuse.kind, hi).pessimistic,
        fuse.amps * fuseBand(fuse.kind, stated).pessimistic,
        dcCase.isShared ? Infinity : fuse.amps * fuseBand(fuse.kind, lo).optimistic,
      ),
    ),
  ];
}

function cableLimit(
  element: BatteryElement,
  battery: Battery,
  dcCase: DcCase,
  own: DcAmps,
): readonly Limit[] {
  const school = battery.cable?.awg === undefined ? 'iec' : element.ampacitySchool;
  const carries = battery.cable && ampacity(battery.cable, school);
  if (carries === undefined) return [];
  return [
    dcLimit(
      element,
      dcCase,
      `${battery.id}:cable`,
      'dc-cable',
      'A',
      own,
      exactCapacity(carries, carries, carries),
    ),
  ];
}

const ALONE: Interval = { lo: 1, stated: 1, hi: 1 };

/** A fuse and a cable heat by the rms of a rippling current, and of their own battery's share. */
function inOneBattery({ running, demand }: DcAmps, share: Interval): DcAmps {
  const own = ({ lo, stated, hi }: Demand): Demand =>
    plainDemand(
      rmsWithRipple(lo * share.lo, RIPPLE.low),
      rmsWithRipple(stated * share.stated, RIPPLE.usual),
      rmsWithRipple(hi * share.hi, RIPPLE.high),
    );
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
