import type { NumberStyle } from '../../units/number-style.js';
import { formatAmount, formatSeconds } from '../../units/format.js';
import { SMALLEST_SOLD } from '../../reference/smallest-sizes.js';
import type { EnoughSize } from './enough-sizes.js';

/** A rating and what of it is enough, in words. */
export interface SizeWords {
  readonly what: string;
  readonly has: string;
  readonly needs: string;
  /** Undefined where it is not entered what there is. */
  readonly isEnough: boolean | undefined;
  /** What is enough over what there is; undefined where one of them is not known. */
  readonly share: number | undefined;
}

/** "any", where the smallest that is sold is enough. */
function needsWords(style: NumberStyle, { part, needs, unit }: EnoughSize): string {
  if (needs === undefined) return 'more than is made';
  const smallest = part in SMALLEST_SOLD ? SMALLEST_SOLD[part as keyof typeof SMALLEST_SOLD] : 0;
  return needs <= smallest ? 'any' : formatAmount(style, needs, unit, 'at-most');
}

/** What is a breaker by its name, and what has to be called one. */
const BREAKERS: Partial<Record<EnoughSize['part'], string>> = {
  'output-breaker': '',
  circuit: ', breaker',
  hookup: ', breaker',
};

/**
 * One row of the sizes.
 *
 * @example
 * // { what: 'Inverter, for 5 s', has: '4,800 VA', needs: '5,970 VA', isEnough: false }
 */
export function sizeWords(style: NumberStyle, size: EnoughSize): SizeWords {
  const { part, name, unit, seconds, has, needs } = size;
  const lasting = seconds === undefined ? 'for hours' : `for ${formatSeconds(style, seconds)}`;
  return {
    what: `${name}${BREAKERS[part] ?? `, ${lasting}`}`,
    has: has === undefined ? 'not entered' : formatAmount(style, has, unit),
    needs: needsWords(style, size),
    share: has === undefined || needs === undefined ? undefined : needs / has,
    isEnough: has === undefined ? undefined : needs !== undefined && has >= needs,
  };
}
