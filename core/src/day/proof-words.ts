import type { ClashOfMusts } from './bound/clash-of-musts.js';
import type { Constraint } from './bound/constraint.js';
import type { ProofOfPlan, Reach } from './bound/proof-of-plan.js';
import { formatPercent } from '../units/format.js';
import { formatDuration } from '../units/format-time.js';
import type { NumberStyle } from '../units/number-style.js';
import { inSentence, theElement } from '../rig/names-in-sentences.js';
import type { Day } from '../rig-file/schema.js';

const SECONDS_OF_A_MINUTE = 60;
const NOT_FOUND_OUT = 'not found out';

/** How a plan stands to a bound: nothing is better, something may be, or it is beyond what holds. */
type Standing = 'best' | 'maybe-better' | 'beyond';

/** One line of how far a plan can be from the best possible. */
export interface ReachWords {
  readonly what: string;
  readonly reached: string;
  readonly atBest: string;
  /** Undefined where the bound was not found out. */
  readonly standing: Standing | undefined;
}

/** Charge that differs by less than this share of the battery is the same to a person. */
const ALIKE_SHARE = 0.005;
const ALIKE = 1e-6;

interface Asked {
  readonly what: string;
  readonly reach: Reach;
  readonly words: (value: number) => string;
  readonly alike?: number;
  /** Whether less is better. */
  readonly isLess?: boolean;
}

/**
 * What a plan reaches beside what no plan can better.
 *
 * @param fullWh What the battery holds from full to empty, Wh.
 */
export function reachWords(style: NumberStyle, proof: ProofOfPlan, fullWh: number): readonly ReachWords[] {
  const asked: readonly Asked[] = [
    { what: 'Musts that are placed', reach: proof.musts, words: String },
    {
      what: 'The rest: 10 for each that should be done, 1 for each that may',
      reach: proof.rest,
      words: String,
    },
    { what: 'Generator', reach: proof.generatorMinutes, words: minutesWords, isLess: true },
    {
      what: 'Lowest charge',
      reach: proof.lowestWh,
      words: (wh) => formatPercent(style, wh / fullWh),
      alike: fullWh * ALIKE_SHARE,
    },
  ];
  return asked.map(({ what, reach, words, alike = ALIKE, isLess = false }) => ({
    what,
    reached: words(reach.reached),
    atBest: reach.atBest === undefined ? NOT_FOUND_OUT : words(reach.atBest),
    standing: standingOf(reach, alike, isLess),
  }));
}

const minutesWords = (minutes: number): string =>
  minutes === 0 ? '0 min' : formatDuration(minutes * SECONDS_OF_A_MINUTE);

function standingOf({ reached, atBest }: Reach, alike: number, isLess: boolean): Standing | undefined {
  if (atBest === undefined) return undefined;
  const short = isLess ? reached - atBest : atBest - reached;
  if (Math.abs(short) <= alike) return 'best';
  return short > 0 ? 'maybe-better' : 'beyond';
}

/** Musts that cannot all be done, in words; undefined where there is no such group. */
export function clashWords(day: Day, clash: ClashOfMusts | undefined): string | undefined {
  if (!clash) return undefined;
  const names = clash.jobs.map((id) => day.jobs.find((job) => job.id === id)?.name ?? id);
  const list = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '');
  if (!clash.isProved) return `No plan was found with ${inSentence(list)}; that there is none is not proved.`;
  const freed = clash.freedBy.map((each) => freeingWords(each, clash.element));
  const free = freed.length > 0 ? ` What could free them: ${freed.join('; or ')}.` : '';
  return names.length > 1
    ? `${list} cannot all be done: that is proved. Leave one of them out.${free}`
    : `${list} cannot be done as often as it should: that is proved.${free}`;
}

function freeingWords(constraint: Constraint, element: string | undefined): string {
  switch (constraint) {
    case 'windows':
      return 'other times for them';
    case 'battery':
      return 'more charge to begin with, or a lower reserve';
    case 'turns':
      return 'not having to take turns';
    case 'limits':
      return element === undefined ? 'more room at once' : `more room in ${theElement(element)}`;
  }
}
