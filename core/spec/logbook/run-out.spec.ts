import { randomNumbers } from '../../src/day/plan/random-numbers.js';
import { pointsOfDisplay, stepOfDisplay } from '../../src/logbook/read/charge-points.js';
import { shownCharge } from '../../src/logbook/read/charge-segments.js';
import { countedEnergy } from '../../src/logbook/read/counted-energy.js';
import type { LogReading } from '../../src/logbook/log-test.js';
import { nextReading } from '../../src/logbook/read/next-reading.js';
import { runOutOf } from '../../src/logbook/fit/run-out.js';

const HOUR_S = 3600;
const RESERVE = 20;
const SEED = 20_261_130;

/** A battery run down by a load of constant power, read at odd times or logged, with what its display does to the numbers. */
function simulated(random: () => number) {
  const perHour = 3 + 12 * random();
  const begins = 85 + 15 * random();
  const lastsHours = (begins - RESERVE) / perHour;
  const seenHours = (0.2 + 0.6 * random()) * lastsHours;
  const isLogged = random() < 0.2;
  const count = isLogged ? 200 : 5 + Math.floor(random() * 12);
  const times = Array.from({ length: count }, (_, index) =>
    isLogged ? (seenHours * index) / count : random() * seenHours,
  ).sort((a, b) => a - b);
  const span = times.at(-1)! - times[0]!;
  const resets = Array.from(
    { length: random() < 0.5 ? 0 : random() < 0.7 ? 1 : 2 },
    () => times[0]! + span * random(),
  ).sort((a, b) => a - b);
  const step = [1, 1, 1, 0.1, 5][Math.floor(random() * 5)]!;
  const noise = random() < 0.5 ? 0 : 0.3;
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const readings = times.map((hours, index): LogReading => {
    const reset = resets.filter((each) => each < hours).at(-1);
    // A display that has lost its power begins anew at full.
    const above = reset === undefined ? 0 : 100 - (begins - perHour * reset);
    const value = begins - perHour * hours + above + (isLogged ? 0 : noise * gauss());
    const percent = Math.min(100, Math.round(value / step) * step);
    return { id: `r${index}`, atS: hours * HOUR_S, percent };
  });
  return { readings, endsS: lastsHours * HOUR_S };
}

describe('a run-down', () => {
  it('names an interval that holds the true end in 93 to 97 of 100 simulated ones, with display steps and resets', () => {
    const random = randomNumbers(SEED);
    let [inside, answered, bounded] = [0, 0, 0];
    while (answered < 2000) {
      const { readings, endsS } = simulated(random);
      const reserve = runOutOf(shownCharge(readings)!, RESERVE)?.reserveAtS;
      if (!reserve) continue;
      answered += 1;
      if (reserve.lo <= endsS && endsS <= reserve.hi) inside += 1;
      if (Number.isFinite(reserve.hi)) bounded += 1;
    }
    const coverage = (100 * inside) / answered;
    expect(coverage).withContext('holds the truth, of 100').toBeGreaterThan(93);
    expect(coverage).withContext('holds the truth, of 100').toBeLessThan(97);
    expect(bounded / answered)
      .withContext('with an end')
      .toBeGreaterThan(0.95);
  });

  it('is narrower with every few readings, and a reading when it says so narrows it as it says', () => {
    const read = (hours: number): LogReading => ({
      id: String(hours),
      atS: hours * HOUR_S,
      percent: Math.round(96 - 5.3 * hours),
    });
    const widthOf = (hours: readonly number[]) => {
      const found = runOutOf(shownCharge(hours.map(read))!, RESERVE)!;
      return { found, width: found.reserveAtS!.hi - found.reserveAtS!.lo };
    };
    const early = widthOf([0, 0.4, 1, 1.7]);
    const later = widthOf([0, 0.4, 1, 1.7, 2.5, 3.2]);
    expect(later.width).toBeLessThan(early.width);
    const next = nextReading(later.found.fit, 3.2, RESERVE, 0)!;
    const then = widthOf([0, 0.4, 1, 1.7, 2.5, 3.2, next.at]);
    expect(next.at).toBeGreaterThan(3.2);
    expect(then.width / HOUR_S / next.widthThen).toBeGreaterThan(0.5);
    expect(then.width / HOUR_S / next.widthThen).toBeLessThan(1.6);
  });

  it('joins segments across a display that begins anew, and goes on from a battery that was charged', () => {
    const at = (hours: number, percent: number, leap?: LogReading['leap']): LogReading => ({
      id: String(hours),
      atS: hours * HOUR_S,
      percent,
      ...(leap && { leap }),
    });
    const readings = [at(0, 90), at(1, 80), at(2, 70), at(3, 100), at(4, 90)];
    const joined = runOutOf(shownCharge(readings)!, RESERVE)!;
    expect(joined.perHour.stated).toBeCloseTo(10, 6);
    expect(joined.reserveAtS!.stated).toBeCloseTo(7 * HOUR_S, 3);
    const charged = [...readings.slice(0, 3), at(3, 100, 'charged'), at(4, 90)];
    expect(runOutOf(shownCharge(charged)!, RESERVE)!.reserveAtS!.stated).toBeCloseTo(11 * HOUR_S, 3);
  });

  it('knows the steps of a display, and takes a run of one number for one reading', () => {
    expect(stepOfDisplay([98, 97, 93])).toBe(1);
    expect(stepOfDisplay([100, 95, 90, 75])).toBe(5);
    expect(stepOfDisplay([98.5, 97, 93.5])).toBe(0.5);
    expect(stepOfDisplay([98.42, 97])).toBe(0.01);
    const run = [90, 90, 90, 89, 89, 89].map((y, x) => ({ x, y, segment: 0 }));
    expect(pointsOfDisplay(run, 1).points).toEqual([{ x: 2.5, y: 89.5, segment: 0, sigma: 0.2 }]);
  });

  it('adds up what a counter showed between the times it began anew', () => {
    const readings = [0, 120, 250, 30, 90].map((wattHours, index) => ({
      id: String(index),
      atS: index * HOUR_S,
      wattHours,
    }));
    expect(countedEnergy(readings).points.at(-1)!.wattHours).toBe(340);
    expect(countedEnergy(readings).resets).toEqual([3 * HOUR_S]);
  });
});
