import type { Consumer, ConsumerPart, StartOfPart } from '../consumer.js';

/**
 * Several loads that start in the same moment as one: all their starts in one part, for the longest of
 * their times.
 *
 * @returns A load with that part alone, under the name of the first that starts; undefined where none does.
 * Source: physics; adding magnitudes is an upper bound for any phase (methods.md, rule 6).
 */
export function joinedStart(consumers: readonly Consumer[]): Consumer | undefined {
  const leader = consumers.find(hasStart);
  const [first, ...others] = consumers.flatMap((consumer) => consumer.parts.filter((part) => part.start));
  if (!leader || !first?.start) return undefined;
  const joined = others.reduce((sum, part) => (part.start ? joinStarts(sum, part.start) : sum), first.start);
  const part: ConsumerPart = { ...first, start: joined };
  return { ...leader, parts: [part] };
}

/** What of the loads has no start and so runs while the rest of them start. */
export function quietParts(consumers: readonly Consumer[]): readonly Consumer[] {
  return consumers.map((consumer) => ({
    ...consumer,
    parts: consumer.parts.filter((part) => part.start === undefined),
  }));
}

/** Whether any part of it has a start. */
export function hasStart(consumer: Consumer): boolean {
  return consumer.parts.some((part) => part.start !== undefined);
}

function joinStarts(a: StartOfPart, b: StartOfPart): StartOfPart {
  const longer = a.seconds.hi >= b.seconds.hi ? a.seconds : b.seconds;
  const total = a.va.value + b.va.value;
  return {
    va: {
      value: total,
      minus: a.va.minus + b.va.minus,
      plus: a.va.plus + b.va.plus,
      causes: [...a.va.causes, ...b.va.causes],
    },
    powerFactor: {
      lo: Math.min(a.powerFactor.lo, b.powerFactor.lo),
      stated: (a.powerFactor.stated * a.va.value + b.powerFactor.stated * b.va.value) / total,
      hi: Math.max(a.powerFactor.hi, b.powerFactor.hi),
    },
    seconds: longer,
    surelyLags: a.surelyLags && b.surelyLags,
    isTransformer: a.isTransformer || b.isTransformer,
    isBetweenPhases: a.isBetweenPhases === b.isBetweenPhases ? a.isBetweenPhases : 'in-part',
  };
}
