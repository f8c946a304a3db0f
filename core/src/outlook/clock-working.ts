import type { NumberStyle } from '../units/number-style.js';
import { formatAmount, formatNumber } from '../units/format.js';
import { formatDuration } from '../units/format-time.js';
import type { Basis, Interval } from '../units/quantity.js';
import type { BatteryClock } from './battery-clock.js';
import { PERCENT } from '../units/conversion-factors.js';
import { runningSetOf } from '../check/check.js';
import { runningBatteryWatts, runningThrough } from '../check/wiring/flow.js';
import { runningSum } from '../check/wiring/running-set.js';
import type { AnsweredSet } from '../words/working.js';

/** One line of how the battery's amps come about, W. */
interface ClockLine {
  readonly what: string;
  /** How an entered number is known; absent where the line is computed. */
  readonly basis: Basis | undefined;
  readonly watts: Interval;
}

/** Where the figures of the battery clock come from. */
export interface ClockWorking {
  readonly lines: readonly ClockLine[];
  /** Watts over volts, and the charge over amps, in words with their numbers. */
  readonly steps: readonly string[];
}

/**
 * The battery clock laid open: what each load draws, what a source carries of it, what the inverter
 * loses, then amps and hours.
 */
export function clockWorkingOf(style: NumberStyle, set: AnsweredSet, clock: BatteryClock): ClockWorking {
  const running = runningSetOf(set);
  const { inverters, dcMembers } = clock.element;
  const all = sum(inverters.map((inverter) => running.sum(inverter.members).watts));
  const own = sum(inverters.map((inverter) => runningThrough(inverter, running).watts));
  const dc = running.sum(dcMembers).watts;
  const drawn = runningBatteryWatts(clock.element, running);
  const losses = difference(difference(drawn, own), dc);
  const onBattery = running.consumers.filter(
    ({ load }) => dcMembers.has(load.id) || inverters.some(({ members }) => members.has(load.id)),
  );
  return {
    lines: [
      ...onBattery.map((consumer) => ({
        what: consumer.load.name,
        basis: consumer.parts[0]?.power.watts.basis,
        watts: runningSum([consumer]).watts,
      })),
      ...(inverters.some(({ assists }) => assists)
        ? [{ what: 'Carried by the source', basis: undefined, watts: difference(own, all) }]
        : []),
      ...(losses.stated > 0
        ? [{ what: 'Lost in the inverter, idle draw included', basis: undefined, watts: losses }]
        : []),
    ],
    steps: stepsOf(style, clock),
  };
}

function difference(a: Interval, b: Interval): Interval {
  return { lo: a.lo - b.lo, stated: a.stated - b.stated, hi: a.hi - b.hi };
}

function sum(each: readonly Interval[]): Interval {
  return each.reduce(
    (all, one) => ({ lo: all.lo + one.lo, stated: all.stated + one.stated, hi: all.hi + one.hi }),
    { lo: 0, stated: 0, hi: 0 },
  );
}

function stepsOf(style: NumberStyle, clock: BatteryClock): readonly string[] {
  const { charge, reservePercent, ampHours, ampHoursNow, amps, watts, reserveInS, lastsS } = clock;
  const rate = formatAmount(style, amps.stated, 'A');
  const volts = formatNumber(style, watts / amps.stated, 1);
  const current = `${formatAmount(style, watts, 'W')} at ${volts} V: ${rate}.`;
  if (!charge || reserveInS === undefined) return [current];
  const left = (Math.max(0, charge.percent - reservePercent) / PERCENT) * ampHoursNow;
  return [
    current,
    `${charge.percent} % less the reserve of ${reservePercent} %, of ${heldWords(style, ampHours, ampHoursNow)}: ${formatNumber(style, left, 0)} Ah. At ${rate} that lasts ${formatDuration(reserveInS)}.`,
    ...(lastsS ? [`${lastsWords('reserve', lastsS.toReserve)} ${lastsWords('empty', lastsS.toEmpty)}`] : []),
  ];
}

/** With its doubts: of what is drawn, and of what the batteries hold. */
function lastsWords(downTo: 'reserve' | 'empty', { lo, stated, hi }: Interval): string {
  const until = downTo === 'reserve' ? 'To the reserve' : 'To empty';
  return `${until} ${formatDuration(stated)}, between ${formatDuration(lo)} and ${formatDuration(hi)}.`;
}

function heldWords(style: NumberStyle, ampHours: number, ampHoursNow: number): string {
  const rated = `${formatNumber(style, ampHours, 0)} Ah`;
  return ampHoursNow < ampHours
    ? `${formatNumber(style, ampHoursNow, 0)} Ah (rated ${rated}, less at this rate: Peukert, usual for its chemistry)`
    : rated;
}
