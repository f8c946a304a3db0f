import type { Consumer } from '../loads/consumer.js';
import type { Edge } from '../units/quantity.js';
import { RunningSet } from './wiring/running-set.js';
import type { Limit } from './limits/limit.js';
import { momentsOf, type Situation } from './situation.js';
import { someOrderPasses } from './order/start-order.js';
import { steadyLimits } from './limits/steady-limits.js';
import { keepsAt } from './verdict.js';

/**
 * Whether a set passes an edge in some order of its starts: what `check` says of it, without its words and figures, and
 * done at the first limit that fails. Of a set that passes every subset does, but for a neutral that two circuits
 * share, which carries least where both of them draw: whoever counts on that leaves those out.
 *
 * @param running The loads of the set, all of them fed.
 * @param startOrder In some order, or whatever the order: then every load must be able to start last.
 * @param counts Which limits count; all by default.
 * @returns Source: methods.md, rules 1 to 11, as `check`.
 */
export function fits(
  situation: Situation,
  running: readonly Consumer[],
  edge: Edge,
  startOrder: 'best' | 'any' = 'best',
  counts: (limit: Limit) => boolean = () => true,
): boolean {
  const { elements, test, ties, runsFirst } = situation;
  const fails = (limit: Limit): boolean => counts(limit) && !keepsAt(limit.verdict, edge);
  const set = new RunningSet(running);
  if (elements.some((element) => steadyLimits(element, set).some(fails))) return false;
  if (momentsOf(situation, running, fails).some(fails)) return false;
  const starting = running.filter(
    (consumer) => !runsFirst(consumer) && ties.bringsStart(consumer) && !ties.led.has(consumer.load.id),
  );
  const floor = running.filter(runsFirst);
  return startOrder === 'any'
    ? starting.every((consumer) => !test(running, consumer, fails).some(fails))
    : someOrderPasses(starting, floor, fails, test);
}
