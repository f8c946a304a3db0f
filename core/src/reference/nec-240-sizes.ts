import type { Provenance } from './provenance.js';

/** Standard sizes of fuses and inverse-time breakers; 10 A was added in 2023. */
export const STANDARD_SIZES: Provenance = { source: 'NEC 240.6(A)', confidence: 'high' };
export const STANDARD_SIZES_A = [
  10, 15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300, 350, 400,
] as const;
/** What runs three hours and more counts so many times, NEC 210.20(A). */
export const CONTINUOUS_FACTOR = 1.25;
