import { kindOfPart } from '../../reference/kinds-of-parts.js';
import type { ConsumerPart, StartOfPart } from '../consumer.js';

/**
 * The starts of parts as they are tested, where multiple and seconds of one start are one cause read together: what begins
 * high is over sooner. A ceramic heater falls from its highest multiple to its running power while its band of seconds passes.
 *
 * @returns One reading for what starts otherwise; else the highest for the shortest, the usual for the usual, and the least
 * for the longest time. Source: common practice, no published source (methods.md, rule 49); low.
 */
export function fallingStarts(parts: readonly ConsumerPart[]): readonly (readonly ConsumerPart[])[] {
  const [only, ...others] = parts;
  const { start } = only ?? {};
  const falls = only && start && others.length === 0 && kindOfPart(only.part.kind).startFalls === true;
  if (!falls) return [parts];
  return readingsOf(only, start).map((reading) => [{ ...only, start: reading }]);
}

function readingsOf({ part, running }: ConsumerPart, start: StartOfPart): readonly StartOfPart[] {
  const { va, seconds } = start;
  const { startMultiple } = kindOfPart(part.kind);
  const leastShare = startMultiple ? startMultiple.low / startMultiple.usual : 1;
  const doubtOfRunning = running.watts.value > 0 ? running.watts.plus / running.watts.value : 0;
  const least = va.value * leastShare;
  const usualPlus = Math.min(va.plus, va.value * doubtOfRunning);
  return [
    { ...start, seconds: { lo: seconds.lo, stated: seconds.lo, hi: seconds.lo } },
    { ...start, va: { ...va, plus: usualPlus }, seconds: { ...seconds, hi: seconds.stated } },
    {
      ...start,
      va: { ...va, value: least, minus: 0, plus: least * doubtOfRunning },
      seconds: { lo: seconds.lo, stated: seconds.stated, hi: seconds.hi },
    },
  ];
}
