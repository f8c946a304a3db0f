import type { TripReplayed, WrongNumber } from './fit/trip-replay.js';
import { formatAmount, formatPercent } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import { loadOf } from '../rig/lookup.js';
import { theLoad } from '../rig/names-in-sentences.js';
import type { Rig } from '../rig-file/schema.js';
import { causeWords } from '../now/trip/trip-words.js';
import type { TestWords } from './test-headline.js';

/** What a trip says of the numbers of the rig. */
export function replayWords(style: NumberStyle, rig: Rig, replayed: readonly TripReplayed[]): TestWords {
  const [first, ...others] = replayed;
  if (!first)
    return {
      headline: 'This trip cannot be replayed',
      interval: 'its supply is no longer in the rig',
      wanted: undefined,
      next: '',
      lines: [],
    };
  return {
    headline: causeWords(style, rig, first.cause).what,
    interval: EXPLAINED[first.explained],
    wanted: undefined,
    next: '',
    lines: [
      causeWords(style, rig, first.cause).why,
      ...wrongWords(style, rig, first.wrong),
      ...others.flatMap((each) => [
        `Or: ${causeWords(style, rig, each.cause).what.replace(/^The/, 'the')}, ${EXPLAINED[each.explained]}.`,
        ...wrongWords(style, rig, each.wrong.slice(0, 1)),
      ]),
    ],
  };
}

const EXPLAINED: Readonly<Record<TripReplayed['explained'], string>> = {
  'as-entered': 'explained by the numbers as entered',
  'by-doubt': 'explained only with the doubts against you',
  not: 'not explained by the numbers',
};

function wrongWords(style: NumberStyle, rig: Rig, wrong: readonly WrongNumber[]): readonly string[] {
  return wrong.map(({ loadId, field, value, needed }) => {
    const unit = field === 'start' ? 'VA' : 'W';
    const what = field === 'start' ? 'start' : 'running power';
    return `As entered it would take ${formatAmount(style, needed, unit)} instead of ${formatAmount(style, value, unit)} for the ${what} of ${theLoad(loadOf(rig, loadId).name)}: ${formatPercent(style, needed / value - 1)} more.`;
  });
}
