import type { Provenance } from './provenance.js';

/** What opens a circuit, as a person tells it apart. */
export type DeviceKind =
  | 'inverter'
  | 'inverter-low-volts'
  | 'battery'
  | 'battery-fuse'
  | 'branch-breaker'
  | 'output-breaker'
  | 'inlet-breaker'
  | 'source-breaker'
  | 'generator'
  | 'source-lost'
  | 'residual-current'
  | 'own-protector';

/** How often each sign comes with a device, and how often a device opens for no reason that the sums know. */
export interface TripSigns {
  /** Chance that it opened although nothing that is on asks too much of it. */
  readonly unprovoked: number;
  /** Chance that it is the first to open where several are asked too much of: volts ride through a dip, a fuse takes its time. */
  readonly opensFirst: number;
  readonly beep: number;
  readonly click: number;
  readonly dim: number;
}

/** Chances of ours, common practice at best: they rank causes, and no number of them is shown. */
export const TRIP_SIGNS_SOURCE: Provenance = {
  source: 'common practice, no published source',
  confidence: 'low',
};

export const TRIP_SIGNS: Readonly<Record<DeviceKind, TripSigns>> = {
  inverter: { unprovoked: 0.01, opensFirst: 1, beep: 0.7, click: 0.4, dim: 0.3 },
  'inverter-low-volts': { unprovoked: 0.01, opensFirst: 0.5, beep: 0.7, click: 0.3, dim: 0.5 },
  battery: { unprovoked: 0.01, opensFirst: 1, beep: 0.3, click: 0.4, dim: 0.3 },
  'battery-fuse': { unprovoked: 0.002, opensFirst: 0.25, beep: 0.2, click: 0.3, dim: 0.1 },
  'branch-breaker': { unprovoked: 0.004, opensFirst: 1, beep: 0.05, click: 0.7, dim: 0.1 },
  'output-breaker': { unprovoked: 0.004, opensFirst: 1, beep: 0.1, click: 0.7, dim: 0.1 },
  'inlet-breaker': { unprovoked: 0.004, opensFirst: 1, beep: 0.1, click: 0.7, dim: 0.1 },
  'source-breaker': { unprovoked: 0.006, opensFirst: 1, beep: 0.2, click: 0.3, dim: 0.2 },
  generator: { unprovoked: 0.02, opensFirst: 1, beep: 0.1, click: 0.3, dim: 0.6 },
  'source-lost': { unprovoked: 0.03, opensFirst: 1, beep: 0.2, click: 0.3, dim: 0.1 },
  'residual-current': { unprovoked: 0.015, opensFirst: 1, beep: 0.05, click: 0.7, dim: 0.02 },
  'own-protector': { unprovoked: 0.02, opensFirst: 1, beep: 0.02, click: 0.4, dim: 0.2 },
};

/** A sign that was there is noticed about so often; one that was not is told all the same now and then. */
export const SIGN_NOTICED = 0.6;
export const SIGN_IMAGINED = 0.05;
/** What is seen at a device is rarely wrong. */
export const LOOK_IS_RIGHT = 0.99;
/** What is said to be dark is wrong now and then. */
export const DARK_IS_RIGHT = 0.95;
/** How often the pace that is told is that of the next class. */
export const PACE_IS_RIGHT = 0.8;
/** How likely a device opens that is not rated at all. */
export const UNKNOWN_RATING_OPENS = 0.3;
/** How often a number that was entered is plainly wrong, and by how much then: the natural logarithm of the ratio, one sigma. */
export const NUMBER_IS_WRONG = 0.05;
export const WRONG_BY = 0.5;
/** How much counts that was as likely before the last start: a breaker that was warming up, a fridge that came on. */
export const STILL_WARMING = 0.2;
/** How likely an inverter falls too when the source drops out, by the verdict of what lands on it. */
export const INVERTER_FALLS = {
  holds: 0.05,
  tight: 0.3,
  'likely-trips': 0.7,
  trips: 0.95,
} as const;
