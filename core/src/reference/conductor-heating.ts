import type { Provenance } from './provenance.js';

/** How fast cables, cords and plugs heat: common practice, no published source; low (methods.md, rule 49). */
export const HEATING: Provenance = { source: 'common practice, no published source', confidence: 'low' };

/** Time constants of a thin and of a thick conductor. */
export const CONDUCTOR_HEATING = {
  thin: { mm2: 1.5, seconds: 120 },
  thick: { mm2: 50, seconds: 1200 },
} as const;

/** Half as long at worst, twice as long at best. */
export const CONDUCTOR_HEATING_SPREAD = 2;

/** What lasts as long as this is judged by the endless rating. */
export const SHORT_OVERLOAD_S = 600;

/** A plug of which no section is known heats like a thin cord. */
export const PLUG_MM2 = 1.5;
