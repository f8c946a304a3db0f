import { solarWatts } from '../solar/solar-power.js';
import type { Day, Rig } from '../rig-file/schema.js';
import { clearSkyWPerM2, cloudFactor } from '../solar/clear-sky.js';
import { sunAltitude } from '../solar/sun-position.js';
import { SLOT_MINUTES, slotsOf, utcOf } from './clock.js';

/** What the arrays give in each step of a plan, W on the DC side. */
export interface Sky {
  readonly asEntered: readonly number[];
  /** Under the worst clouds that are expected. */
  readonly atWorst: readonly number[];
  /** Under no cloud at all. */
  readonly clear: readonly number[];
}

/** What the sky may come to where no clouds are entered, eighths. */
const OVERCAST = 8;

/** What the sun gives over a day; nothing where it is not known where. Source: methods.md 11. */
export function skyOf(rig: Rig, day: Day): Sky {
  const { latitude, longitude, cloudOktas = 0 } = day;
  if (latitude === undefined || longitude === undefined) {
    const dark = new Array<number>(slotsOf(day)).fill(0);
    return { asEntered: dark, atWorst: dark, clear: dark };
  }
  const worstCloudOktas = day.worstCloudOktas ?? day.cloudOktas ?? OVERCAST;
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
