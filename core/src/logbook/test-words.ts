import type { Interval } from '../units/quantity.js';
import { formatAmount, formatNumber, formatPercent } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import { START_FAULT_WORDS } from '../loads/start/start-test-words.js';
import type { ChargeTest } from './fit/charge-test.js';
import { CYCLES_WANTED, type Cycling } from './fit/cycles.js';
import type { DishTest } from './fit/dish-test.js';
import type { MeasuredEfficiency } from './fit/inverter-efficiency.js';
import type { LogTest } from './log-test.js';
import type { TestAnswer } from './analyse-test.js';
import type { StartJudged } from '../loads/start/start-test.js';
import { PERCENT, SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import type { Rig } from '../rig-file/schema.js';
import { energyWords } from '../day/day-words.js';
import { sourceTestWords } from '../supply/source-test-words.js';
import { only, type SayMoment, type TestWords } from './test-headline.js';
import { runDownWords } from './run-down-words.js';
import { replayWords } from './trip-replay-words.js';

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
