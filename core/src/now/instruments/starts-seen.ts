import { LEAST_START, START_OVER_RUNNING } from '../../reference/instruments.js';
import type { FeedSample } from './feed-format.js';

/** A start as the output's meter saw it. */
export interface SeenStart {
  readonly atS: number;
  /** What it drew at its peak on top of what ran, VA. */
  readonly startVA: number;
  /** What it draws running, W. */
  readonly runningW: number;
}

/**
 * A start between two samples, told by the one after them: what runs has risen and stays so, and the peak stood well above.
 *
 * @returns Undefined where nothing started, or where a meter stood still.
 */
export function startSeen(
  before: FeedSample | undefined,
  at: FeedSample | undefined,
  after: FeedSample | undefined,
): SeenStart | undefined {
  const [first, second, third] = [before?.output, at?.output, after?.output];
  if (!first || !second || !third || first.atS === second.atS || second.atS === third.atS) return undefined;
  const runningW = third.watts - first.watts;
  const startVA = second.peakVA - first.va;
  if (startVA < LEAST_START || startVA < START_OVER_RUNNING * Math.max(0, third.va - first.va))
    return undefined;
  return { atS: second.atS, startVA, runningW: Math.max(0, runningW) };
}
