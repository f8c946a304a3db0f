/**
 * Default half-widths by basis, as fractions of the stated value.
 *
 * Source: common practice, no published source (methods.md, rules 1 and 4). A user's own half-width
 * always wins.
 */
export interface FractionalDoubt {
  readonly minus: number;
  readonly plus: number;
}

const both = (fraction: number): FractionalDoubt => ({ minus: fraction, plus: fraction });

export const NO_DOUBT = both(0);
export const MEASURED = both(0.03);
export const DATA_SHEET = both(0.05);
export const NAMEPLATE_RUNNING: FractionalDoubt = { minus: 0.25, plus: 0.1 };
/** A nameplate or code-letter start is an upper value. */
export const NAMEPLATE_START: FractionalDoubt = { minus: 0.2, plus: 0 };
/** Motor table at or below 1 hp, well above what most small motors draw. */
export const MOTOR_TABLE: FractionalDoubt = { minus: 0.45, plus: 0.05 };
/** A start that a clamp saw once or twice: it can miss a peak and not invent one. Common practice, no published source; low. */
export const START_MEASURED_ONCE: FractionalDoubt = { minus: 0.05, plus: 0.2 };
export const GUESS = both(0.4);
/** Typical values of a kind for which no range is known. */
export const TYPICAL_WITHOUT_RANGE = GUESS;
/** The seconds of a start are the worst known number of all. */
export const START_SECONDS = both(0.5);
/** Starts count as measured only when three agree within this (common practice). */
export const MEASURED_START_SECONDS = both(0.1);

/**
 * The widest half-width downwards that an entered number may have, as a fraction of it: beyond
 * this, adding a load could lower the pessimistic sum (methods.md, rule 3).
 */
export const WIDEST_MINUS = 0.86;
