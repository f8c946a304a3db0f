/** Motors on a modified sine wave: common practice, no published source (methods.md 3), medium. */

/** A motor draws this many times its volt-amps on it. */
export const MODIFIED_SINE_MOTOR_FACTOR = 1.25;
/** Share of each half cycle that such a wave conducts, where its peak is that of a sine of the same volts. */
export const USUAL_CONDUCTING = 0.5;
