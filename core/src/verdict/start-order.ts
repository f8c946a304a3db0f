import type { Consumer } from '../electrical/consumer.js';
import type { Edge } from '../quantity/quantity.js';
import { headroomShare, type Limit } from './limit.js';

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
  const order: Consumer[] = [];
  let left = [...starting];
  let passes = true;
  for (let last = bestLast(left, floor, edge, test); last; last = bestLast(left, floor, edge, test)) {
    const { consumer } = last;
    order.unshift(consumer);
    passes = passes && last.passes;
    left = left.filter((other) => other !== consumer);
  }
  return { order, passes };
}

interface LastToStart {
  readonly consumer: Consumer;
  /** Headroom over capacity of its tightest limit. */
  readonly share: number;
  readonly passes: boolean;
}

/** A load is given up at its first limit that leaves no more than the best so far. */
function bestLast(
  left: readonly Consumer[],
  floor: readonly Consumer[],
  edge: Edge,
  test: StartTest,
): LastToStart | undefined {
  const running = [...floor, ...left];
  return left.reduceRight<LastToStart | undefined>((best, consumer) => {
    const limits = test(
      running,
      consumer,
      (limit) => best !== undefined && headroomShare(limit, edge) <= best.share,
    );
    const share = Math.min(...limits.map((limit) => headroomShare(limit, edge)));
    return best && share <= best.share ? best : { consumer, share, passes: passesAt(limits, edge) };
  }, undefined);
}

/** Whether every limit is kept at an edge. */
export function passesAt(limits: readonly Limit[], edge: Edge): boolean {
  return limits.every(
    (limit) => limit.verdict === 'holds' || (edge === 'optimistic' && limit.verdict === 'tight'),
  );
}
