/**
 * Ampacity of flexible three-wire cords by wire size. Source: NEC 400.5, from memory, check the
 * printed standard; confidence medium (methods.md 5).
 */
const CORD_AMPACITY_A = { '18': 10, '16': 13, '14': 18, '12': 25, '10': 30 } as const;

export type CordSize = keyof typeof CORD_AMPACITY_A;

/** Thinnest first; a list, since number-like keys of an object would sort by themselves. */
export const CORD_SIZES = ['18', '16', '14', '12', '10'] as const satisfies readonly CordSize[];

/** Amps that a cord carries for hours. */
export function cordAmpacityA(size: CordSize): number {
  return CORD_AMPACITY_A[size];
}
