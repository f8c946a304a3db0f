import type { Provenance } from './provenance.js';

/** What meters of power are good for: common practice, medium. A clamp on direct current drifts most. */
export const METERS: Provenance = { source: 'common practice, no published source', confidence: 'medium' };

/** Half-width of a reading, as a share of it. */
export const METER_SHARE = 0.03;
/** No reading is better than this, W: what stands by, and the last digit. */
export const METER_LEAST_W = 10;
