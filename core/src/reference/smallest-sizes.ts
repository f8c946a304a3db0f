import { COMMON_PRACTICE, type Provenance } from './provenance.js';

/** The smallest that is usually sold, W, VA or A: what needs less is enough in any size. */
export const SMALLEST_SOLD = { inverter: 150, generator: 700, battery: 20 } as const;
export const SMALLEST_SOLD_FROM: Provenance = { source: COMMON_PRACTICE, confidence: 'low' };
