/** How numbers are written and read: `1,234.5` or `1.234,5`. */
export type NumberStyle = 'point' | 'comma';

let inUse: NumberStyle = 'point';

/**
 * Chooses how all numbers are written and read from now on. It is about reading only, so it is the one setting
 * that the core keeps: no result depends on it.
 */
export function useNumberStyle(style: NumberStyle): void {
  inUse = style;
}

export function numberStyle(): NumberStyle {
  return inUse;
}
