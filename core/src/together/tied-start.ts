import type { Consumer, ConsumerPart, StartOfPart } from '../electrical/consumer.js';
import type { Rig } from '../rig/schema.js';

/** The loads of a set that start when another one starts, by the id of that leader. */
export function followersOf(
  rig: Rig,
  consumers: readonly Consumer[],
): ReadonlyMap<string, readonly Consumer[]> {
  const followers = new Map<string, Consumer[]>();
  for (const { leader, follower } of rig.ties ?? []) {
    const consumer = consumers.find((each) => each.load.id === follower);
    if (consumer) followers.set(leader, [...(followers.get(leader) ?? []), consumer]);
  }
  return followers;
}

/**
 * A leader and its followers as one start: a tied start falls within the recovery time, so both
 * kicks are added, for the longer of their times.
 *
 * @returns The leader with the joined start; undefined where fewer than two of them have a start.
 * Source: methods.md, rule 6. Adding magnitudes is an upper bound for any phase.
 */
export function tiedStart(leader: Consumer, followers: readonly Consumer[]): Consumer | undefined {
  const starting = [leader, ...followers].flatMap((consumer) => consumer.parts.filter((part) => part.start));
  const [first, ...others] = starting;
  if (!first?.start || others.length === 0) return undefined;
  const joined = others.reduce((sum, part) => (part.start ? joinStarts(sum, part.start) : sum), first.start);
  const quiet = [leader, ...followers].flatMap((consumer) => consumer.parts.filter((part) => !part.start));
  const joinedPart: ConsumerPart = { ...first, start: joined };
  return { ...leader, parts: [joinedPart, ...quiet] };
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
  };
}
