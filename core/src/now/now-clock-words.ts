import type { Clock } from './clocks.js';
import { inSentence } from '../rig/names-in-sentences.js';

/** A clock as it stands in a row: whose, and what happens at its end. */
export interface ClockWords {
  readonly name: string;
  readonly what: string;
}

/**
 * @example
 * // { name: 'Air compressor', what: 'may start again' }
 */
export function clockWords({ of, name, why, stage }: Clock): ClockWords {
  switch (of) {
    case 'wait':
      return { name, what: why === 'pressure' ? 'its pressure has fallen then' : 'may start again then' };
    case 'timer':
      return { name, what: 'done then' };
    case 'stage':
      return { name, what: `${inSentence(stage ?? '')} until then` };
    case 'three-hours':
      return { name: `${name} breaker`, what: 'over 80 % of it, for three hours at most' };
    case 'overload':
      return { name, what: 'may open from then on' };
  }
}
