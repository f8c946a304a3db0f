import type { Interval } from '../quantity/quantity.js';
import { formatAmount, formatNumber, formatPercent } from '../quantity/format.js';
import { formatDuration } from '../quantity/format-time.js';
import type { NumberStyle } from '../quantity/number-style.js';
import { START_FAULT_WORDS } from '../electrical/start-test.js';
import type { ChargeTest } from '../logbook/charge-test.js';
import { CYCLES_WANTED, type Cycling } from '../logbook/cycles.js';
import type { DishTest } from '../logbook/dish-test.js';
import type { MeasuredEfficiency } from '../logbook/inverter-efficiency.js';
import type { LogTest } from '../logbook/log-test.js';
import type { TestAnswer } from '../logbook/analyse-test.js';
import type { RunDown } from '../logbook/run-down.js';
import type { StartJudged } from '../electrical/start-test.js';
import type { Rig } from '../rig/schema.js';
import { energyWords } from './day-words.js';
import { sourceTestWords } from './source-test-words.js';
import { only, type TestWords } from './test-headline.js';
import { replayWords } from './trip-replay-words.js';

/** A moment as people say it, in the time of the place. */
export type SayMoment = (seconds: number) => string;

const SECONDS_PER_MINUTE = 60;
const PERCENT = 100;

/** What a test says so far, in words. */
export function testWords(
  style: NumberStyle,
  rig: Rig,
  test: LogTest,
  answer: TestAnswer,
  moment: SayMoment,
): TestWords {
  switch (answer.kind) {
    case 'run-down':
      return runDownWords(style, test, answer.found, moment);
    case 'cycling':
      return cyclingWords(style, answer.found);
    case 'start':
      return startWords(style, answer.found);
    case 'charge':
      return chargeWords(style, answer.found, moment);
    case 'efficiency':
      return efficiencyWords(style, answer.found);
    case 'arrival': {
      if (!answer.found) return only('Volts and amps with little on, then with much on, are the least.');
      const { line, detail } = sourceTestWords(style, answer.found);
      return { ...only(line), lines: [detail] };
    }
    case 'dish':
      return dishWords(style, answer.found);
    case 'trip':
      return replayWords(style, rig, answer.found);
  }
}

function runDownWords(style: NumberStyle, test: LogTest, found: RunDown, moment: SayMoment): TestWords {
  const { byCharge, wanted } = found;
  const reached = byCharge?.reserveAtS;
  if (!byCharge) return only('Two readings of the charge, some time apart, are the least.');
  if (!reached)
    return {
      ...only('The charge does not fall by these readings.'),
      lines: runDownLines(style, found, moment),
    };
  const hasEnded = test.endedAtS !== undefined;
  return {
    headline: `${hasEnded ? 'Lasted to' : 'Lasts until'} ${moment(reached.stated)}`,
    interval: Number.isFinite(reached.hi)
      ? `between ${moment(reached.lo)} and ${moment(reached.hi)}`
      : `not before ${moment(reached.lo)}; how late is not known yet`,
    wanted: wanted && { lasting: wanted.lasting, words: wantedWords(wanted, moment) },
    next: nextWords(found, moment),
    lines: runDownLines(style, found, moment),
  };
}

function wantedWords({ atS, lasting, marginS }: NonNullable<RunDown['wanted']>, moment: SayMoment): string {
  const margin = formatDuration(Math.abs(marginS));
  if (lasting === 'lasts') return `Lasts until ${moment(atS)}, with at least ${margin} to spare.`;
  if (lasting === 'runs-out') return `Runs out before ${moment(atS)}, at least ${margin} short.`;
  return `May run out before ${moment(atS)}: ${margin} ${marginS < 0 ? 'short' : 'to spare'} as read.`;
}

function nextWords({ next }: RunDown, moment: SayMoment): string {
  if (!next) return '';
  const width = (seconds: number): string =>
    Number.isFinite(seconds) ? `${formatDuration(seconds)} wide` : 'open to one side';
  return `The next reading helps most at about ${moment(next.atS)}: the answer is ${width(next.widthNowS)} now, about ${formatDuration(next.widthThenS)} then.`;
}

function runDownLines(style: NumberStyle, found: RunDown, moment: SayMoment): readonly string[] {
  const { byCharge, byEnergyS, disagree, charge, base, efficiency, energy, watts } = found;
  const percent = (value: number): string => formatNumber(style, value, 1);
  return [
    ...(byCharge
      ? [
          `It falls by ${percent(byCharge.perHour.stated)} % an hour, between ${percent(byCharge.perHour.lo)} and ${percent(byCharge.perHour.hi)}.`,
        ]
      : []),
    ...(watts
      ? [`${formatAmount(style, watts.value, 'W')} at the meter on the mean of ${watts.count}.`]
      : []),
    ...(charge?.leaps.map(({ atS, was }) => leapWords(was, moment(atS))) ?? []),
    ...energy.resets.map(
      (atS) => `The counter began anew before ${moment(atS)}: what flowed meanwhile is missing.`,
    ),
    ...(byEnergyS
      ? [
          `By energy the reserve is reached at ${moment(byEnergyS.stated)}${disagree ? ': charge display, counter or battery is not what the rig says' : ', which agrees'}.`,
        ]
      : []),
    ...(efficiency
      ? [
          `The inverter gives ${formatPercent(style, efficiency.efficiency.value)} of what it takes, at ${formatAmount(style, efficiency.watts, 'W')}.`,
        ]
      : []),
    ...heldLines(style, found),
    ...(base?.hasMoved
      ? ['The base load before and after differs by more than 5 %: something else switched.']
      : []),
  ];
}

function heldLines(style: NumberStyle, { held }: RunDown): readonly string[] {
  if (!held) return [];
  const atLeast = held.isAtLeast ? 'at least ' : '';
  const shown = formatNumber(style, held.leftShownPercent, 0);
  return [
    `Run until it cut off, the battery gave ${atLeast}${energyWords(style, held.gaveWh)}: full it holds ${atLeast}${energyWords(style, held.fullWh)}.`,
    `Then the display, joined, stood at ${shown} %: that is its error.`,
  ];
}

function leapWords(was: 'display' | 'charged' | 'unseen', at: string): string {
  if (was === 'charged') return `Charged before ${at}: it counts from there.`;
  return was === 'display'
    ? `The display began anew before ${at}: what it showed since is joined to what it showed before.`
    : `Before ${at} it seems to have fallen too little: taken for a display that began anew. Say so at the reading, or that it did not.`;
}

function cyclingWords(style: NumberStyle, found: Cycling | undefined): TestWords {
  if (!found) return only('It has kept to one power so far: no cycle yet.');
  const levels = `Powers it keeps to: ${found.levels
    .map(({ watts, share }) => `${formatAmount(style, watts, 'W')} (${formatPercent(style, share)})`)
    .join(', ')}.`;
  const gaps =
    found.gaps > 0 ? [`${found.gaps} pauses of the log: a cycle with a pause in it does not count.`] : [];
  if (found.cycles.length === 0) return { ...only('No whole cycle yet.'), lines: [levels, ...gaps] };
  return {
    headline: `Runs ${formatPercent(style, found.duty)} of the time`,
    interval: `${minutes(style, found.onS)} on, ${minutes(style, found.offS)} off`,
    wanted: undefined,
    next: found.isMeasured
      ? ''
      : `${found.cycles.length} of ${CYCLES_WANTED} whole cycles: from ${CYCLES_WANTED} on it counts as measured.`,
    lines: [
      `${formatAmount(style, found.onW, 'W')} while it runs, ${formatAmount(style, found.meanW, 'W')} on the mean, ${formatNumber(style, found.startsPerHour, 1)} starts an hour.`,
      `Over ${found.cycles.length} whole cycles; its share of the time varies by ${formatPercent(style, found.dutySpread)}.`,
      levels,
      ...gaps,
    ],
  };
}

const minutes = (style: NumberStyle, seconds: number): string =>
  `${formatNumber(style, seconds / SECONDS_PER_MINUTE, 1)} min`;

function startWords(style: NumberStyle, found: StartJudged | undefined): TestWords {
  if (!found) return only('The base before, and a first start above it, are the least.');
  return {
    headline: `Starts with ${formatAmount(style, found.va.value, 'VA')}`,
    interval: `${formatNumber(style, found.amps, 1)} A above the base`,
    wanted: undefined,
    next: found.va.basis === 'measured' ? '' : 'It does not count as measured yet.',
    lines: [
      `${found.agreeing} starts agree within 10 %.`,
      ...found.faults.map((fault) => START_FAULT_WORDS[fault]),
    ],
  };
}

function chargeWords(style: NumberStyle, found: ChargeTest, moment: SayMoment): TestWords {
  const { fullAtS, perHour, watts, amps, tapersAtPercent } = found;
  const lines = [
    ...(amps
      ? [
          `It took ${formatAmount(style, amps.value, 'A')}${watts ? `, ${formatAmount(style, watts.value, 'W')},` : ''} while it took the most.`,
        ]
      : []),
    ...(tapersAtPercent === undefined
      ? []
      : [`From ${formatNumber(style, tapersAtPercent, 0)} % on it took less.`]),
    ...(perHour === undefined
      ? []
      : [`By its last readings it rises by ${formatNumber(style, perHour, 1)} % an hour.`]),
  ];
  if (!fullAtS) return { ...only('Two readings of a charge that rises are the least.'), lines };
  return {
    headline: `Full at ${moment(fullAtS.stated)}`,
    interval: interval(fullAtS, moment),
    wanted: undefined,
    next: '',
    lines: [...lines, 'A battery that takes less towards its end is full later.'],
  };
}

function interval({ lo, hi }: Interval, moment: SayMoment): string {
  return Number.isFinite(hi) ? `between ${moment(lo)} and ${moment(hi)}` : `not before ${moment(lo)}`;
}

function efficiencyWords(style: NumberStyle, loads: readonly MeasuredEfficiency[]): TestWords {
  const [first, ...others] = loads;
  if (!first) return only('A reading with watts, battery volts and battery amps is the least.');
  const points = (value: number): string => formatNumber(style, value * PERCENT, 1);
  const at = ({ efficiency, watts }: MeasuredEfficiency): string =>
    `${points(efficiency.value)} % at ${formatAmount(style, watts, 'W')}`;
  return {
    headline: at(first),
    interval: others.map(at).join(', '),
    wanted: undefined,
    next: loads.length === 1 ? 'A second load, far from this one, tells the idle draw from the losses.' : '',
    lines: loads.map(
      ({ dcWatts, watts, efficiency }) =>
        `${formatAmount(style, dcWatts, 'W')} out of the battery for ${formatAmount(style, watts, 'W')} at the plug${efficiency.count > 1 ? `; ${efficiency.count} readings lie ${points(2 * efficiency.spread)} points apart` : ''}.`,
    ),
  };
}

function dishWords(style: NumberStyle, found: DishTest | undefined): TestWords {
  if (!found) return only('Two readings of the counter, or of watts, are the least.');
  return {
    headline: `${energyWords(style, found.wattHours)} in ${formatNumber(style, found.minutes, 0)} min`,
    interval: found.by === 'counter' ? 'counted' : 'from watts read now and then',
    wanted: undefined,
    next: '',
    lines: [],
  };
}
