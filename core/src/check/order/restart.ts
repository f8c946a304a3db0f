import type { Consumer } from '../../loads/consumer.js';
import { EXPANSION } from '../../units/combine-doubts.js';
import { asRestart, type Limit } from '../limits/limit.js';
import { decidingLimit } from '../limits/limit-order.js';
import type { Habits } from './habits.js';
import { passesAt, type StartTest } from './start-order.js';
import { magnitude } from '../../units/magnitude.js';

/**
 * Whether a load that is switched again and again during work can be restarted on top of everything
 * else that is on: as much a part of the verdict as any start (methods.md, rule 36).
 */
export interface Restart {
  readonly loadId: string;
  /** The limit that decides the restart. */
  readonly limit: Limit;
  /** What to switch off first, least power first; empty where it holds or where nothing helps. */
  readonly switchOffFirst: readonly string[];
  /** The deciding limit once that is off. */
  readonly limitThen: Limit | undefined;
}

/** Judges the restart of every during-work load among those that run, with the habits of the set kept. */
export function restartsOf(all: readonly Consumer[], test: StartTest, habits: Habits): readonly Restart[] {
  return habits.restarted(all).flatMap((consumer) => {
    const running = habits.besideRestart(all, consumer);
    const limits = test(running, consumer);
    const decider = decidingLimit(limits);
    if (!decider) return [];
    const remedy = passesAt(limits, 'pessimistic')
      ? []
      : whatToSwitchOff(running, consumer, limits.filter(isShort), test);
    return [
      {
        loadId: consumer.load.id,
        limit: asRestart(decider),
        switchOffFirst: remedy.map((other) => other.load.id),
        limitThen: remedy.length > 0 ? decidingLimit(test(without(running, remedy), consumer)) : undefined,
      },
    ];
  });
}

/**
 * The single load of least power that is enough; else as few as possible, the largest first. Each of them has to start
 * on top of everything once the tool runs.
 */
function whatToSwitchOff(
  running: readonly Consumer[],
  starting: Consumer,
  failing: readonly Limit[],
  test: StartTest,
): readonly Consumer[] {
  const byHand = running
    .filter((other) => other !== starting && other.load.usage !== 'by-itself')
    .filter((other) => passesAt(test(running, other, isShort), 'pessimistic'))
    .sort((a, b) => wattsOf(a) - wattsOf(b));
  const isEnough = (off: readonly Consumer[]) =>
    passesAt(test(without(running, off), starting, isShort), 'pessimistic');
  const single = byHand.find((other) => failing.every((limit) => mayHelp(other, limit)) && isEnough([other]));
  if (single) return [single];
  const largestFirst = byHand.reverse();
  return isEnough(largestFirst) ? fewest(largestFirst, isEnough) : [];
}

/** How few from the head of a list are enough, where all of it is: found by halving, since more off never hurts. */
function fewest(
  list: readonly Consumer[],
  isEnough: (off: readonly Consumer[]) => boolean,
): readonly Consumer[] {
  let [tooFew, enough] = [0, list.length];
  while (enough - tooFew > 1) {
    const middle = Math.floor((tooFew + enough) / 2);
    if (isEnough(list.slice(0, middle))) enough = middle;
    else tooFew = middle;
  }
  return list.slice(0, enough);
}

/**
 * Whether a surge rating that is exceeded can be kept without a load. Magnitudes of sums add no more than the
 * magnitudes of their terms (triangle inequality), so a load takes away no more than all it may draw.
 */
function mayHelp({ parts }: Consumer, { kind, element, headroom }: Limit): boolean {
  const isFixed = kind.startsWith('inverter-start') && element.kind === 'inverter' && !element.assists;
  const most = (of: 'watts' | 'nonActive'): number =>
    parts.reduce((sum, { running }) => sum + running[of].value + EXPANSION * running[of].plus, 0);
  return !isFixed || magnitude(most('watts'), most('nonActive')) >= -headroom.pessimistic;
}

const isShort = (limit: Limit): boolean => limit.verdict !== 'holds';

const without = (running: readonly Consumer[], off: readonly Consumer[]): readonly Consumer[] =>
  running.filter((consumer) => !off.includes(consumer));

const wattsOf = (consumer: Consumer): number =>
  consumer.parts.reduce((sum, part) => sum + part.running.watts.value, 0);
