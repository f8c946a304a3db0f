import { sunAltitude } from '../../src/solar/sun-position.js';

const DEGREES = 180 / Math.PI;
const MINUTE = 60_000;
/** Centre of the disc at sunrise and sunset: 34' of refraction and 16' of radius; the library adds the refraction. */
const UPPER_LIMB = -16 / 60;

describe('the place of the sun', () => {
  it('is at a zenith angle of 50.112 degrees in the worked example of NREL/TP-560-34302 (Reda and Andreas 2003, A.5, from memory)', () => {
    const at = Date.UTC(2003, 9, 17, 19, 30, 30);
    const zenith = 90 - sunAltitude(at, { latitude: 39.742476, longitude: -105.1786 }) * DEGREES;
    expect(Math.abs(zenith - 50.11162)).toBeLessThan(0.05);
  });

  it('rises and sets by the minute as that example prints: 06:12:43 and 17:20:19, and is highest at 11:46:05 (from memory)', () => {
    const there = { latitude: 39.742476, longitude: -105.1786 };
    const hours = { rise: 6.212067, highest: 11.768045, set: 17.338667 };
    const midnight = Date.UTC(2003, 9, 17, 7);
    const altitudes = Array.from({ length: 1440 }, (_, minute) =>
      sunAltitude(midnight + minute * MINUTE, there),
    ).map((altitude) => altitude * DEGREES);
    const crossings = altitudes.flatMap((each, minute) =>
      each > UPPER_LIMB !== (altitudes[minute - 1] ?? -90) > UPPER_LIMB ? [minute / 60] : [],
    );
    expect(crossings.length).toBe(2);
    expect(Math.abs(crossings[0]! - hours.rise)).toBeLessThan(0.05);
    expect(Math.abs(crossings[1]! - hours.set)).toBeLessThan(0.05);
    expect(Math.abs(altitudes.indexOf(Math.max(...altitudes)) / 60 - hours.highest)).toBeLessThan(0.05);
  });

  // Declination of the sun at 0 h, by the Astronomical Almanac (from memory): the height at noon follows from it, and
  // from the latitude, without any library (spherical astronomy, 90° - latitude + declination).
  const ALMANAC = [
    {
      day: Date.UTC(1992, 9, 13),
      declination: -7.785,
      source: 'Meeus, Astronomical Algorithms, example 25.a',
    },
    { day: Date.UTC(2025, 2, 20, 9, 1), declination: 0, source: 'equinox of March 2025' },
    { day: Date.UTC(2025, 5, 21, 2, 42), declination: 23.437, source: 'solstice of June 2025' },
    { day: Date.UTC(2025, 11, 21, 15, 3), declination: -23.437, source: 'solstice of December 2025' },
  ];

  for (const { day, declination, source } of ALMANAC)
    it(`stands as high at its highest as its declination says, at five latitudes (${source}, from memory)`, () => {
      for (const latitude of [-35, 0, 20, 35, 50]) {
        const highest = Math.max(
          ...Array.from({ length: 3600 }, (_, tenth) =>
            // The moment is kept and the globe is turned, so that the declination stays what it is.
            sunAltitude(day, { latitude, longitude: tenth / 10 - 180 }),
          ),
        );
        // Refraction lifts it by less than 0.06° at these heights.
        expect(Math.abs(highest * DEGREES - (90 - Math.abs(latitude - declination)))).toBeLessThan(0.08);
      }
    });
});
