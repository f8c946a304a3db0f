import type { Consumer } from '../../loads/consumer.js';
import type { Edge } from '../../units/quantity.js';
import { headroomShare, type Limit } from '../limits/limit.js';
import { keepsAt } from '../verdict.js';

/**
 * All limits a load must pass when it starts while the others run.
 *
 * @param isEnough Where given, testing may stop behind a limit it says yes to.
 */
export type StartTest = (
  running: readonly Consumer[],
  starting: Consumer,
  isEnough?: (limit: Limit) => boolean,
) => readonly Limit[];

export interface StartOrder {
  /** In switching order. */
  readonly order: readonly Consumer[];
  /** Whether every start of the order passes at the edge it was built for. */
  readonly passes: boolean;
}

/**
 * The best order to start a set in, built from its end: always place last the load that keeps the
 * largest share of headroom when all the others run.
 *
 * This is Lawler's rule for one machine and the smallest largest cost (E. L. Lawler, 1973): among
 * the loads still to place, the one that suffers least from being last can be last without loss,
 * since the running power of the others is the same whatever their order. It is exact for any number
 * of limits, phasors and doubts, because "can be last" is monotone in the set that runs. The sort that
 * suggests itself (largest start less running first) is exact with ONE limit only: with tiers a short
 * high start may wait where a long lower one may not (start-order.spec.ts has the counter-example).
 *
 * Of many loads, all that can be last are placed at once, the one that suffers least at the very end: whether
 * some order passes is answered as exactly, with tests in proportion to their number, not to its square; the
 * headroom of the order may be less than the largest.
 *
 * @param starting The loads that are switched on by hand and have a start.
 * @param floor What runs before any of them.
 * @param edge The edge whose headroom counts.
 * @returns The order; it fails at that edge only if every order fails.
 */
export function bestStartOrder(
  starting: readonly Consumer[],
  floor: readonly Consumer[],
  edge: Edge,
  test: StartTest,
): StartOrder {
  let order: readonly Consumer[] = [];
  let left = starting;
  let passes = true;
  const lastOf = starting.length > MOST_ONE_BY_ONE ? allLast : bestLast;
  while (left.length > 0) {
    const last = lastOf(left, floor, edge, test);
    order = [...last.consumers, ...order];
    passes = passes && last.passes;
    left = left.filter((other) => !last.consumers.includes(other));
  }
  return { order, passes };
}

/**
 * Whether loads can be switched on in some order: again and again one that can be last is taken away. Which one does
 * not matter, for what can be last among more can be last among fewer.
 *
 * @param fails Whether a limit is not kept at the edge that counts.
 */
export function someOrderPasses(
  starting: readonly Consumer[],
  floor: readonly Consumer[],
  fails: (limit: Limit) => boolean,
  test: StartTest,
): boolean {
  let left = starting;
  while (left.length > 0) {
    const running = [...floor, ...left];
    const last = left.find((consumer) => !test(running, consumer, fails).some(fails));
    if (!last) return false;
    left = left.filter((other) => other !== last);
  }
  return true;
}

/** More starts than anybody switches on by hand: above, time counts more than the last of the headroom. */
const MOST_ONE_BY_ONE = 40;

/** Loads that are started after all the others, in their order. */
interface LastToStart {
  readonly consumers: readonly Consumer[];
  readonly passes: boolean;
}

/** A load is given up at its first limit that leaves no more than the best so far. */
function bestLast(
  left: readonly Consumer[],
  floor: readonly Consumer[],
  edge: Edge,
  test: StartTest,
): LastToStart {
  const running = [...floor, ...left];
  let best: { readonly share: number } & LastToStart = { consumers: [], share: -Infinity, passes: true };
  for (const consumer of [...left].reverse()) {
    const { share: most, consumers } = best;
    const limits = test(
      running,
      consumer,
      (limit) => consumers.length > 0 && headroomShare(limit, edge) <= most,
    );
    const share = shareOf(limits, edge);
    if (consumers.length === 0 || share > most)
      best = { consumers: [consumer], share, passes: passesAt(limits, edge) };
  }
  return best;
}

/** All that can be last, or all that are left where none can. */
function allLast(
  left: readonly Consumer[],
  floor: readonly Consumer[],
  edge: Edge,
  test: StartTest,
): LastToStart {
  const running = [...floor, ...left];
  const tested = left
    .map((consumer) => {
      const limits = test(running, consumer);
      return { consumer, share: shareOf(limits, edge), passes: passesAt(limits, edge) };
    })
    .sort((a, b) => a.share - b.share);
  const passing = tested.filter(({ passes }) => passes);
  const last = passing.length > 0 ? passing : tested;
  return { consumers: last.map(({ consumer }) => consumer), passes: passing.length > 0 };
}

/** Headroom over capacity of the tightest of limits. */
const shareOf = (limits: readonly Limit[], edge: Edge): number =>
  Math.min(...limits.map((limit) => headroomShare(limit, edge)));

/** Whether every limit is kept at an edge. */
export function passesAt(limits: readonly Limit[], edge: Edge): boolean {
  return limits.every(({ verdict }) => keepsAt(verdict, edge));
}
