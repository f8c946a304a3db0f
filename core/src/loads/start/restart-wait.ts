import { LOCK_OUT_S } from '../../reference/soft-starters.js';
import type { Load } from '../../rig-file/schema.js';
import { isSoftStarted } from './soft-starter.js';

/**
 * How long a load waits by itself after it was off before it starts again, s: as entered, else the lock-out of a soft
 * starter, else nothing.
 *
 * Source: common practice (a soft starter refuses a restart for about five minutes).
 */
export function restartWaitOf({ restartWaitS, parts }: Load): number {
  return restartWaitS ?? (parts.some(isSoftStarted) ? LOCK_OUT_S.usual : 0);
}
