import { solarWatts } from '../energy/solar-power.js';
import type { Day, Rig } from '../rig/schema.js';
import { clearSkyWPerM2, cloudFactor } from '../sun/clear-sky.js';
import { sunAltitude } from '../sun/sun-position.js';
import { SLOT_MINUTES, slotsOf, utcOf } from './clock.js';

/** What the arrays give in each step of a plan, W on the DC side. */
export interface Sky {
  readonly asEntered: readonly number[];
  /** Under the worst clouds that are expected. */
  readonly atWorst: readonly number[];
  /** Under no cloud at all. */
  readonly clear: readonly number[];
}

/** What the sun gives over a day. Source: methods.md 11. */
export function skyOf(rig: Rig, day: Day): Sky {
  const { latitude = 0, longitude = 0, cloudOktas = 0, worstCloudOktas = cloudOktas } = day;
  const clear = Array.from({ length: slotsOf(day) }, (_, slot) =>
    clearSkyWPerM2(sunAltitude(utcOf(day, (slot + 0.5) * SLOT_MINUTES), { latitude, longitude })),
  );
  const under = (oktas: number): readonly number[] =>
    clear.map((wPerM2) => solarWatts(rig, wPerM2 * cloudFactor(oktas)));
  return {
    asEntered: under(cloudOktas),
    atWorst: under(Math.max(cloudOktas, worstCloudOktas)),
    clear: under(0),
  };
}
