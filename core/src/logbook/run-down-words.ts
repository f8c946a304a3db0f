import { formatAmount, formatNumber, formatPercent } from '../units/format.js';
import { formatDuration } from '../units/format-time.js';
import type { NumberStyle } from '../units/number-style.js';
import type { LogTest } from './log-test.js';
import type { Prediction } from './fit/predicted-run-down.js';
import type { RunDown } from './fit/run-down.js';
import { PERCENT, SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import { energyWords } from '../day/day-words.js';
import { only, type SayMoment, type TestWords } from './test-headline.js';

/** What a run-down says so far, in words. */
export function runDownWords(
  style: NumberStyle,
  test: LogTest,
  found: RunDown,
  moment: SayMoment,
): TestWords {
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
    ...differenceLines(style, found),
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

/** Why the end is another than the rig's own numbers say, from the largest cause down. */
function differenceLines(style: NumberStyle, { predicted, byCharge }: RunDown): readonly string[] {
  const reached = byCharge?.reserveAtS;
  if (!predicted || !reached) return [];
  const offS = reached.stated - predicted.reserveAtS;
  if (Math.abs(offS) < SECONDS_PER_MINUTE)
    return ['The reserve is reached when the numbers of the rig say so.'];
  const restS = offS - predicted.battery.effectS;
  const isWithin = reached.lo <= reached.stated - restS && reached.stated - restS <= reached.hi;
  const rest = {
    effectS: restS,
    words: isWithin
      ? 'what is left is within the doubt of the readings'
      : 'what is left is the battery or its display',
  };
  const causes = [...numbersThatDiffer(style, predicted), rest]
    .filter(({ effectS }) => Math.abs(effectS) >= SECONDS_PER_MINUTE)
    .sort((a, b) => Math.abs(b.effectS) - Math.abs(a.effectS))
    .map(({ words, effectS }) => `${words} (${formatDuration(Math.abs(effectS))} ${soonerOrLater(effectS)})`);
  return [
    `The reserve is reached ${formatDuration(Math.abs(offS))} ${soonerOrLater(offS)} than the numbers of the rig say: ${causes.join(', ')}.`,
  ];
}

function numbersThatDiffer(
  style: NumberStyle,
  { load, efficiency }: Prediction,
): readonly { readonly effectS: number; readonly words: string }[] {
  return [
    ...(load
      ? [
          {
            effectS: load.effectS,
            words: `the load draws ${formatAmount(style, Math.abs(load.measured - load.predicted), 'W')} ${load.measured > load.predicted ? 'more' : 'less'}`,
          },
        ]
      : []),
    ...(efficiency
      ? [
          {
            effectS: efficiency.effectS,
            words: `of what the inverter takes it gives ${formatNumber(style, PERCENT * Math.abs(efficiency.measured - efficiency.predicted), 1)} points ${efficiency.measured > efficiency.predicted ? 'more' : 'less'}`,
          },
        ]
      : []),
  ];
}

const soonerOrLater = (seconds: number): string => (seconds < 0 ? 'sooner' : 'later');
