import type { UsualRange } from './kinds-of-parts.js';
import type { Provenance } from './provenance.js';

/** What motors do when they are used hard: common practice (methods.md 3), medium to low. */
export const ROUGH_USE: Provenance = { source: 'common practice, no published source', confidence: 'low' };

/** A saw bogged in the cut: times its running power, for so many seconds, again and again. */
export const BOGGED_MULTIPLE = 2;
export const BOGGED_S: UsualRange = { low: 5, usual: 7.5, high: 10 };
/** Seconds a locked rotor is carried until its overload protector opens. */
export const STALL_S: UsualRange = { low: 3, usual: 10, high: 15 };
/** Two restarts closer together than this count as one. */
export const SAME_MOMENT_S = 5;
/** Seconds after a stop until the pressure of a compressor has fallen so far that it starts again (methods.md, At the switch). */
export const PRESSURE_FALLS_S = 180;
