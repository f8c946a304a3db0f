import type { Rig } from '../../src/rig-file/schema.js';
import { leastSum, type Power, type Side } from './doubtful-numbers.js';

/** What heat, height, charge and the way the legs stand do to a system: for the naive check, from docs/methods.md. */
const LFP_OHMS = { for: 0.005, stated: 0.008, against: 0.014 };
const LFP_OHMS_OF_SHORT_STARTS = { for: 0.002, stated: 0.004, against: 0.008 };
const CONTACT_OHMS = { for: 0.0001, stated: 0.00015, against: 0.0002 };
const CONTACTS = 6;
const SHORT_S = 2;
/** Of LFP between 1 at 25 °C and 1.5 at 10 °C, at the usual 20 °C. */
const COLD = 1 + 0.5 * (5 / 15);

type Edge = Side;

/** Resistance of each battery with its contacts, asked for so many seconds. */
export function ohmsOfBatteries(rig: Rig, edge: Edge, seconds: number): readonly number[] {
  return rig.batteries.map((battery) => {
    const isEmpty = battery.chemistry !== undefined && chargeOf(rig, battery.reservePercent, edge) < 10;
    const usual = seconds < SHORT_S ? LFP_OHMS_OF_SHORT_STARTS : LFP_OHMS;
    const own = battery.ohms ?? (usual[edge] * (100 / battery.ampHours.value) * COLD * 12) / 12.8;
    return own * (isEmpty ? 1.5 : 1) + CONTACTS * CONTACT_OHMS[edge];
  });
}

/** Percent: as read, give or take ten, at worst the reserve; unread from the reserve to nearly full. */
function chargeOf(rig: Rig, reserve: number | undefined, edge: Edge): number {
  const read = rig.scenes[0]!.charge?.percent;
  const unread = {
    against: reserve ?? 20,
    stated: Math.max(reserve ?? 20, 60),
    for: Math.max(reserve ?? 20, 90),
  };
  if (read === undefined) return unread[edge];
  const kept = Math.max(reserve ?? 20, 20);
  return { against: Math.max(0, Math.min(read - 10, kept)), stated: read, for: Math.min(100, read + 10) }[
    edge
  ];
}

/** What is left of an inverter's rating where it is hot or high. */
export function inverterFactor(rig: Rig, edge: Edge): number {
  const { altitudeM = 0 } = rig.conditions ?? {};
  const inverterC = celsiusAt(rig, 'inverterC', edge) ?? 25;
  const [perKelvin, offAt, fullUpTo] = {
    against: [0.015, 60, 1500],
    stated: [0.012, 65, 1750],
    for: [0.008, 70, 2000],
  }[edge] as [number, number, number];
  if (inverterC >= offAt) return 0;
  const heat = 1 - perKelvin * Math.max(0, inverterC - 25);
  return Math.max(0, heat) * (1 - 0.0001 * Math.max(0, altitudeM - fullUpTo));
}

/** Rule 47: where only the outdoors is known it is at worst ten kelvin warmer inside. */
export function celsiusAt(rig: Rig, at: 'panelC' | 'inverterC', edge: Edge): number | undefined {
  const { outdoorC, [at]: entered } = rig.conditions ?? {};
  return entered ?? (edge === 'against' && outdoorC !== undefined ? outdoorC + 10 : undefined);
}

/** Of a generator: 3.5 % for every 1000 ft, and 1 % for every 10 °F above 25 °C. */
export function generatorFactor(rig: Rig): number {
  const { outdoorC = 0, altitudeM = 0 } = rig.conditions ?? {};
  return (
    (1 - (0.035 * Math.max(0, altitudeM)) / 304.8) * (1 - (0.01 * Math.max(0, outdoorC - 25)) / (50 / 9))
  );
}

/** Of a UL breaker: hotter than 40 °C it may open earlier, other than at 25 °C it is bound to open at more or less. */
export function breakerFactor(celsius: number | undefined, side: Side): number {
  if (celsius === undefined) return 1;
  const factor = (from: number) => Math.sqrt(1 - (celsius - from) / 80);
  return side === 'against' ? Math.min(1, factor(40)) : factor(25);
}

/** Amps of a leg at both of its edges. */
export interface LegAmps {
  readonly against: Power;
  readonly stated: Power;
  readonly for: Power;
  readonly volts: number;
}

/** Amps of the neutral of two legs on one pole, or 120 degrees apart, for any angle that their power factors allow. */
export function neutralAmps(legs: readonly [LegAmps, LegAmps], isWye: boolean, side: Side): number {
  const [one, two] = legs.map((leg) => {
    const [lo, hi] = [leg.for, leg.against];
    return {
      lo: lo.va / leg.volts,
      hi: hi.va / leg.volts,
      least: Math.atan2(lo.n, hi.w),
      most: Math.atan2(hi.n, lo.w),
      stated: leg.stated.va / leg.volts,
      angle: Math.atan2(leg.stated.n, leg.stated.w),
    };
  }) as [NeutralLeg, NeutralLeg];
  const apart = Math.max(one.most - two.least, two.most - one.least, 0);
  const phase = isWye ? (2 * Math.PI) / 3 : 0;
  const angle =
    side === 'against' ? Math.max(0, phase - (isWye ? apart : 0)) : Math.min(Math.PI, phase + apart);
  const at = (a: number, b: number, by = angle) =>
    Math.sqrt(Math.max(0, a * a + b * b + 2 * a * b * Math.cos(by)));
  if (side === 'stated')
    return at(one.stated, two.stated, isWye ? phase - Math.abs(one.angle - two.angle) : 0);
  if (side === 'against')
    return Math.max(...[one.lo, one.hi].flatMap((a) => [two.lo, two.hi].map((b) => at(a, b))));
  return leastSum(one.lo, two.lo, angle);
}

interface NeutralLeg {
  readonly lo: number;
  readonly hi: number;
  readonly least: number;
  readonly most: number;
  readonly stated: number;
  readonly angle: number;
}
