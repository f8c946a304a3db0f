import { getPosition } from 'suncalc';

const RADIANS_PER_DEGREE = Math.PI / 180;

/** A place on the globe. */
export interface Place {
  /** Degrees, north positive. */
  readonly latitude: number;
  /** Degrees, east positive. */
  readonly longitude: number;
}

/**
 * Altitude of the sun above the horizon, refraction included.
 *
 * @param at Milliseconds since 1970 in UTC.
 * @returns rad, negative at night. Source: the library suncalc (Meeus, Astronomical Algorithms).
 *
 * @example
 * sunAltitude(Date.UTC(2025, 5, 21, 19), { latitude: 35, longitude: -105 }); // 1.369 rad, 78.4°
 */
export function sunAltitude(at: number, { latitude, longitude }: Place): number {
  return getPosition(new Date(at), latitude, longitude).altitude * RADIANS_PER_DEGREE;
}
