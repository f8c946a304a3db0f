import { isIec } from '../reference/breaker-curves.js';
import type { Protection, Rig } from '../rig-file/schema.js';

/** Whether the rig follows the 80 % rule, and its breakers are of the standard that has it. */
export function hasContinuousRule(rig: Rig, protection: Protection | undefined): boolean {
  return rig.practice?.continuousRule !== 'left-out' && !(protection && isIec(protection.curve));
}
