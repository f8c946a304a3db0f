/** Preferred rated currents of household circuit-breakers, A: IEC 60898-1, 5.3.2, from memory, medium. */
export const IEC_SIZES_A = [6, 10, 13, 16, 20, 25, 32, 40, 50, 63, 80, 100, 125] as const;
