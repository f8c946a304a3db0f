import {
  heatFactors,
  secondsToCertainTrip,
  secondsToTrip,
  startBand,
  steadyBand,
} from '../../src/protection/breaker.js';
import { breakerCurves } from '../../src/protection/breaker-curve.js';
import { breakerConstants } from '../../src/reference/breaker-curves.js';
import type { Protection } from '../../src/rig-file/schema.js';
import { workedExample } from '../worked-example.js';

const breaker = (amps: number, curve: Protection['curve'] = 'ul-489'): Protection => ({ amps, curve });

/** The same at every edge. */
const all = (value: number) => ({ pessimistic: value, stated: value, optimistic: value });
const inPlace = (...size: Parameters<typeof breaker>) => ({ protection: breaker(...size) });

describe('a breaker', () => {
  it('follows the thermal equation of IEC 60255-149: its exact solution satisfies d(theta)/dt (physics)', () => {
    const thermal = { k: 1.05, tauS: 37.22 };
    const x = 2.4;
    const seconds = secondsToTrip(thermal, x, 0.3);
    let theta = 0.3;
    const steps = 200_000;
    for (let step = 0; step < steps; step += 1) theta += ((x * x - theta) / thermal.tauS) * (seconds / steps);
    expect(theta).toBeCloseTo(thermal.k ** 2, 3);
  });

  it('may trip sooner warm than cold (worked example 5.1)', () => {
    const { given, comesTo } = workedExample('5.1');
    const [rated, before, then] = given;
    const { may } = breakerConstants('ul-489', rated);
    comesTo(secondsToTrip(may, then / rated), secondsToTrip(may, then / rated, (before / rated) ** 2));
  });

  it('is drawn as it is judged: cold 12 s at twice its rating, bound to trip within 1 h at 135 % (UL 489, from memory)', () => {
    const { may, will } = breakerCurves(inPlace(20), all(0));
    const at = (points: typeof may, amps: number) => points.find((point) => point.amps >= amps)!;
    expect(at(may, 40).seconds).toBeLessThanOrEqual(12.01);
    expect(may.filter(({ amps }) => amps < 40).at(-1)!.seconds).toBeGreaterThan(12);
    expect(at(will, 27.1).seconds).toBe(3600);
    expect(at(may, 100).seconds).toBe(0.01);
    for (const points of [may, will])
      for (const [index, { seconds }] of points.slice(1).entries())
        expect(seconds).toBeLessThanOrEqual(points[index]!.seconds);
  });

  it('is never promised to trip earlier than its standard says (UL 489: 200 % within 2, 4, 6 min; from memory)', () => {
    for (const [amps, minutes] of [
      [30, 2],
      [50, 4],
      [100, 6],
    ] as const) {
      const { will } = breakerConstants('ul-489', amps);
      expect(secondsToTrip(will, 2)).toBeGreaterThanOrEqual(minutes * 60);
    }
  });

  it('is never said to hold longer than test c allows: 1 s to 60 s at 2.55 times (IEC 60898-1, from memory)', () => {
    const { may, will } = breakerConstants('iec-60898-c', 16);
    expect(secondsToTrip(may, 2.55)).toBeGreaterThan(1);
    expect(secondsToTrip(may, 2.55)).toBeLessThan(60);
    expect(secondsToTrip(will, 2.55)).toBeGreaterThanOrEqual(60);
  });

  it('carries its rating at the pessimistic edge and its conventional tripping current at the other', () => {
    expect(steadyBand(inPlace(20))).toEqual({
      pessimistic: 20,
      stated: jasmine.any(Number) as never,
      optimistic: 27,
    });
    expect(steadyBand(inPlace(16, 'iec-60898-c')).optimistic).toBeCloseTo(23.2, 10);
  });

  it('usually carries the geometric mean of both: 1.16 times its rating (UL 489), 1.28 times (IEC 60898-1; rule 35)', () => {
    expect(steadyBand(inPlace(20)).stated / 20).toBeCloseTo(1.16, 2);
    expect(steadyBand(inPlace(16, 'iec-60898-c')).stated / 16).toBeCloseTo(1.28, 2);
    // at a start by the mean of both releases, 5 and 20 times, answering to 1.1 x rms
    expect(startBand(inPlace(20), all(0), all(0.1)).stated).toBeCloseTo((20 * 10) / 1.1, 9);
  });

  it('usually opens after the geometric mean of its two times: 12 s and 134 s at twice its rating give 40 s (rule 35)', () => {
    const { may, will } = breakerConstants('ul-489', 20);
    const mean = Math.sqrt(secondsToTrip(may, 2) * secondsToTrip(will, 2));
    expect(mean).toBeCloseTo(40.2, 1);
    expect(startBand(inPlace(20), all(0), all(mean)).stated).toBeCloseTo(40, 5);
    expect(steadyBand(inPlace(20), 3 * 60).stated).toBeCloseTo(20 * 1.52, 0);
  });

  it('promises a trip below twice its rating only within the hour (UL 489, 135 %; from memory)', () => {
    expect(secondsToCertainTrip(breaker(20), 27)).toBe(Infinity);
    expect(secondsToCertainTrip(breaker(20), 30)).toBe(3600);
    expect(secondsToCertainTrip(breaker(60), 90)).toBe(7200);
    expect(steadyBand(inPlace(20), 10 * 60).optimistic).toBe(40);
  });

  it('shrugs at the start of a compressor, which heats it by a fifteenth (worked example 5.2)', () => {
    const { given, comesTo } = workedExample('5.2');
    const [rated, before, start, seconds] = given;
    const { may } = breakerConstants('ul-489', rated);
    comesTo(((start / rated) ** 2 - (before / rated) ** 2) * (1 - Math.exp(-seconds / may.tauS)));
    expect(startBand(inPlace(rated), all(before), all(seconds)).pessimistic).toBeGreaterThan(start);
  });

  it('lets go of a short start at the low magnetic pick-up, answering to the peak of a motor start', () => {
    const band = startBand(inPlace(20), all(0), all(0.1));
    expect(band.pessimistic).toBeCloseTo((5 * 20) / 1.1, 10);
    expect(band.optimistic).toBeCloseTo((20 * 20) / 1.1, 10);
  });

  it('is weaker in a hot box, and never stronger (worked example 5.3, common practice)', () => {
    const { given, comesTo } = workedExample('5.3');
    const [rated, warm, warmer] = given;
    const hot = (celsius: number) => steadyBand({ ...inPlace(rated), celsius }).pessimistic;
    comesTo(hot(warm), hot(warmer));
    expect(hot(-10)).toBe(rated);
    const iec = heatFactors({ ...inPlace(16, 'iec-60898-c'), celsius: 60 });
    expect(iec.may).toBeCloseTo(0.79, 2);
  });
});
