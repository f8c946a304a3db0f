import type { PartKind, UsualRange } from './kinds-of-parts.js';
import type { Provenance } from './provenance.js';

/**
 * Soft starters on single-phase hermetic compressors. There is no standard test for what they leave
 * of the locked-rotor current: common practice, medium for the kind, low for the digits.
 */
export const SOFT_STARTERS: Provenance = {
  source: 'common practice, no published source',
  confidence: 'low',
};

/** Start current that remains, as a share of the locked-rotor current. */
export const REMAINING: UsualRange = { low: 0.4, usual: 0.5, high: 0.65 };
/** The same in the first starts after fitting or reset. */
export const REMAINING_WHILE_LEARNING: UsualRange = { low: 0.5, usual: 0.7, high: 1 };
/** Seconds of the ramp. */
export const RAMP_S: UsualRange = { low: 0.4, usual: 1, high: 2 };
/** Seconds it refuses a restart after a stop or a loss of power. */
export const LOCK_OUT_S: UsualRange = { low: 120, usual: 180, high: 300 };
/** Starts until it has learned its compressor. */
export const LEARNING_STARTS: UsualRange = { low: 3, usual: 5, high: 6 };
/** What soft starters are made for: hermetic compressors, and motors with brushes. */
export const SUITS_SOFT_STARTER: readonly PartKind[] = [
  'hermetic-rotary',
  'hermetic-reciprocating',
  'hermetic-scroll',
  'universal-motor',
];
