import { typical } from '../../rig/typical-quantity.js';
import { timesFactor } from '../../units/arithmetic.js';
import type { Quantity } from '../../units/quantity.js';
import { RAMP_S, REMAINING, REMAINING_WHILE_LEARNING } from '../../reference/soft-starters.js';
import { withWidths } from '../../rig-file/half-widths.js';
import type { Part, SoftStarter } from '../../rig-file/schema.js';

/** A start as a supply sees it: how much and for how long, with the half-widths that count. */
export interface SizedStart {
  readonly va: Quantity;
  readonly seconds: Quantity;
}

/** Whether a soft starter is at work in a start: fitted, and not bypassed. */
export function isSoftStarted({ start }: Pick<Part, 'start'>): boolean {
  if (start?.soft) return start.soft.isBypassed !== 'yes';
  return start?.softStarter === 'yes';
}

/**
 * What a soft starter makes of a full start: less current for longer. Bypassed it makes nothing of it;
 * while it learns, more current remains.
 *
 * @param full The start without it.
 * @returns The start with it. Source: common practice, no published source; measured figures win.
 *
 * @example
 * // locked rotor 60 A at 120 V for 0.3 s
 * softened({ va: q(7200), seconds: q(0.3) }, {}); // 3,600 VA for 1 s; 5,040 VA while learning
 */
export function softened(full: SizedStart, starter: SoftStarter): SizedStart {
  if (starter.isBypassed === 'yes') return full;
  const usual = starter.isLearning === 'yes' ? REMAINING_WHILE_LEARNING : REMAINING;
  const remaining = starter.remaining ? withWidths(starter.remaining, 'start') : typical(usual);
  return {
    va: product(full.va, remaining),
    seconds: starter.rampS ? withWidths(starter.rampS, 'seconds') : typical(RAMP_S),
  };
}

/** The doubtful one of the two says how the product is known; no more can remain than there was. */
function product(va: Quantity, share: Quantity): Quantity {
  const { value, minus = 0, plus = 0 } = share;
  const low = value - minus;
  return {
    ...timesFactor(va, { low, usual: value, high: Math.min(1, value + plus) }),
    basis: share.basis === 'measured' ? va.basis : share.basis,
  };
}
