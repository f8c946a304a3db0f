import type { Known } from '../quantity/quantity-control';

/** The bare number of a control; undefined where there is none. */
export const numberOf = (known: Known): number | undefined =>
  known === null ? undefined : typeof known === 'number' ? known : known.value;
