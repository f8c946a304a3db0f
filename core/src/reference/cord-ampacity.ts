/**
 * Ampacity of flexible cords by wire size and by how many of its conductors carry current: column A for three, column B for
 * two. Source: NEC Table 400.5(A)(1), from memory, check the printed standard; confidence medium.
 */
const CORD_AMPACITY_A = {
  two: { '18': 10, '16': 13, '14': 18, '12': 25, '10': 30 },
  three: { '18': 7, '16': 10, '14': 15, '12': 20, '10': 25 },
} as const;

export type CordSize = keyof typeof CORD_AMPACITY_A.two;
/** How many conductors of a cord carry current: two, or both legs and the neutral. */
export type LoadedConductors = keyof typeof CORD_AMPACITY_A;

/** Thinnest first; a list, since number-like keys of an object would sort by themselves. */
export const CORD_SIZES = ['18', '16', '14', '12', '10'] as const satisfies readonly CordSize[];

/** Amps that a cord carries for hours. */
export function cordAmpacityA(size: CordSize, loaded: LoadedConductors = 'two'): number {
  return CORD_AMPACITY_A[loaded][size];
}

/**
 * Ampacity of metric flexible leads, thinnest first. Source: EN 50525-2-11, IEC 60799 use, above 2.5 mm² EN 50565-1, from
 * memory; medium, above 2.5 mm² low.
 */
const LEAD_AMPACITY_A: readonly (readonly [mm2: number, amps: number])[] = [
  [0.5, 3],
  [0.75, 6],
  [1, 10],
  [1.5, 16],
  [2.5, 25],
  [4, 32],
  [6, 40],
];

/**
 * Amps that a metric lead carries for hours: that of its row, or of the next thinner one.
 *
 * @returns Undefined where it is thinner than the table. Source: as the table.
 *
 * @example
 * leadAmpacityA(0.75); // 6
 */
export function leadAmpacityA(mm2: number): number | undefined {
  return LEAD_AMPACITY_A.filter(([size]) => size <= mm2).at(-1)?.[1];
}
