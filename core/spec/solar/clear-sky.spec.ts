import { getPosition } from 'suncalc';
import { clearSkyWPerM2, cloudFactor, flatArrayW } from '../../src/solar/clear-sky.js';
import { workedExample } from '../worked-example.js';

const RAD = Math.PI / 180;

/** Altitude without refraction is not to be had from the library: what it adds at 78° is far below a tenth. */
const altitude = (date: Date) => getPosition(date, 35, -105).altitude * RAD;

/** A clear day, kWh/m², minute by minute. */
function dayKWh(day: string): number {
  const start = new Date(`${day}T07:00:00Z`).getTime();
  let sum = 0;
  for (let minute = 0; minute < 1440; minute += 1)
    sum += clearSkyWPerM2(altitude(new Date(start + minute * 60_000))) / 60_000;
  return sum;
}

describe('a clear sky', () => {
  it('gives by the height of the sun, and a flat array by that (worked example 13.5)', () => {
    const { given, comesTo } = workedExample('13.5');
    const [degrees, arrayW] = given;
    const clear = clearSkyWPerM2(degrees * RAD);
    comesTo(clear, flatArrayW(arrayW, clear));
    expect(clearSkyWPerM2(-0.1)).toBe(0);
  });

  it('gives 8.77 kWh/m² on a June day at 35° N and 3.06 in December (check values, methods.md 13)', () => {
    expect(dayKWh('2025-06-21')).toBeCloseTo(8.766, 1);
    expect(dayKWh('2025-12-21')).toBeCloseTo(3.059, 1);
  });

  it('loses to clouds what Kasten and Czeplak 1980 print for 0 to 8 oktas', () => {
    const printed = [1, 0.993, 0.929, 0.718, 0.524, 0.25];
    [0, 2, 4, 6, 7, 8].forEach((oktas, i) => expect(cloudFactor(oktas)).toBeCloseTo(printed[i]!, 3));
  });
});
