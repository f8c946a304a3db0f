import type { ClashOfMusts, Freeing } from '../day/bound/clash-of-musts.js';
import type { ProofOfPlan, Reach } from '../day/bound/proof-of-plan.js';
import { formatPercent } from '../quantity/format.js';
import { formatDuration } from '../quantity/format-time.js';
import type { NumberStyle } from '../quantity/number-style.js';
import { inSentence, theElement } from '../rig/names-in-sentences.js';
import type { Day } from '../rig/schema.js';

const SECONDS_OF_A_MINUTE = 60;
const NOT_FOUND_OUT = 'not found out';

/** One line of how far a plan can be from the best possible. */
export interface ReachWords {
  readonly what: string;
  readonly reached: string;
  readonly atBest: string;
  /** Whether no plan can better it; undefined where that was not found out. */
  readonly isBest: boolean | undefined;
}

/** Charge that differs by less than this share of the battery is the same to a person. */
const ALIKE_SHARE = 0.005;
const ALIKE = 1e-6;

/**
 * What a plan reaches beside what no plan can better.
 *
 * @param fullWh What the battery holds from full to empty, Wh.
 */
export function reachWords(style: NumberStyle, proof: ProofOfPlan, fullWh: number): readonly ReachWords[] {
  const { musts, rest, generatorMinutes, lowestWh } = proof;
  const number = (value: number): string => String(value);
  const minutes = (value: number): string =>
    value === 0 ? '0 min' : formatDuration(value * SECONDS_OF_A_MINUTE);
  const percent = (wh: number): string => formatPercent(style, wh / fullWh);
  const line = (
    what: string,
    { reached, atBest }: Reach,
    words: (value: number) => string,
    alike = ALIKE,
  ) => ({
    what,
    reached: words(reached),
    atBest: atBest === undefined ? NOT_FOUND_OUT : words(atBest),
    isBest: atBest === undefined ? undefined : Math.abs(atBest - reached) <= alike,
  });
  return [
    line('Musts that are placed', musts, number),
    line('The rest, by its weight', rest, number),
    line('Generator', generatorMinutes, minutes),
    line('Lowest charge', lowestWh, percent, fullWh * ALIKE_SHARE),
  ];
}

/** Musts that cannot all be done, in words; undefined where there is no such group. */
export function clashWords(day: Day, clash: ClashOfMusts | undefined): string | undefined {
  if (!clash) return undefined;
  const names = clash.jobs.map((id) => day.jobs.find((job) => job.id === id)?.name ?? id);
  const list = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names[0];
  if (!clash.isProved)
    return `No plan was found with ${inSentence(list ?? '')}; that there is none is not proved.`;
  const freed = clash.freedBy.map((each) => freeingWords(each, clash.element));
  const free = freed.length > 0 ? ` What would free them: ${freed.join('; or ')}.` : '';
  return `${list} cannot all be done: that is proved. Leave one of them out.${free}`;
}

function freeingWords(freeing: Freeing, element: string | undefined): string {
  if (freeing === 'windows') return 'other times for them';
  if (freeing === 'battery') return 'more charge to begin with, or a lower reserve';
  return element === undefined ? 'more room at once' : `more room in ${theElement(element)}`;
}
