/** How a number is known. Its default doubt follows from this and from its role (rig-file/half-widths.ts). */
export const BASES = [
  'measured',
  'data-sheet',
  'nameplate',
  'code-letter',
  'table',
  'typical',
  'guess',
  'setting',
] as const;

export type Basis = (typeof BASES)[number];

/**
 * A number as a person knows it. The unit is fixed by the name of the field that holds it
 * (`runningW` is in watts), and `minus` and `plus` are in that same unit.
 */
export interface Quantity {
  /** The stated value. */
  readonly value: number;
  readonly basis: Basis;
  /** Half-width downwards, where the user knows better than the default of the basis. */
  readonly minus?: number | undefined;
  /** Half-width upwards, likewise. */
  readonly plus?: number | undefined;
  /** Names what several numbers depend on (one meter, one hot day): their doubts add linearly. */
  readonly commonCause?: string | undefined;
  /** How many readings that agree a measured number rests on; of a start fewer than three are known less well. */
  readonly readings?: number | undefined;
  readonly source?: string | undefined;
  readonly note?: string | undefined;
}

/** The doubt of one number: how far it may lie below and above its stated value, in its own unit. */
export interface HalfWidths {
  readonly minus: number;
  readonly plus: number;
}

/** A number at both edges and as stated. */
export interface Interval {
  readonly lo: number;
  readonly stated: number;
  readonly hi: number;
}

/** The readings of every number: all doubts against the user, as entered, or all doubts in the user's favour. */
export const EDGES = ['pessimistic', 'stated', 'optimistic'] as const;
export type Edge = (typeof EDGES)[number];
