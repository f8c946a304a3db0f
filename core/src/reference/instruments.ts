import type { Provenance } from './provenance.js';

/** What instruments of a small system are good for: common practice, medium. */
export const INSTRUMENTS: Provenance = {
  source: 'common practice, no published source',
  confidence: 'medium',
};

/** Half-width of the watts of each meter, as a share: a shunt is better than what an inverter says of itself. */
export const ACCURACY = { battery: 0.01, output: 0.03, inlet: 0.02 } as const;

/** A reading older than this says nothing of now, s. */
export const STALE_AFTER_S = 10;
/** Impedance of an inverter's output, of its base impedance: common practice, low. */
export const OUTPUT_IMPEDANCE_SHARE = 0.03;
/** How often a thermostat turns a load on and off where nothing is entered, s. */
export const USUAL_CYCLE_S = { on: 480, off: 960 } as const;
/** A rise by more than this is a start, W or VA. */
export const LEAST_START = 100;
/** The peak of a start is at least so many times what runs afterwards. */
export const START_OVER_RUNNING = 1.3;
