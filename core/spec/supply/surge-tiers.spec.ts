import { secondsCarried, straddlesTier, surgeCeiling } from '../../src/supply/surge-tiers.js';
import { exampleRig } from '../example-rig.js';

const inverter = exampleRig(
  {},
  {
    va: 3000,
    tiers: [
      [4500, 60],
      [6000, 5],
      [9000, 0.5],
    ],
  },
).converters[0]!;

describe('surge tiers', () => {
  it('let 7632 VA pass for 0.3 s and not for 0.8 s (worked example, methods.md 3)', () => {
    expect(surgeCeiling(inverter, 0.3).value).toBeGreaterThan(7632);
    expect(surgeCeiling(inverter, 0.8).value).toBeLessThan(7632);
  });

  it('fall back to the continuous rating for what outlasts them all', () => {
    expect(surgeCeiling(inverter, 61)).toEqual(jasmine.objectContaining({ value: 3000, seconds: Infinity }));
  });

  it('say how long an overload lasts', () => {
    expect(secondsCarried(inverter, 4000)).toBe(60);
    expect(secondsCarried(inverter, 5000)).toBe(5);
    expect(secondsCarried(inverter, 9001)).toBe(0);
  });

  it('notice seconds whose doubt reaches across the end of a tier', () => {
    expect(straddlesTier(inverter, { lo: 0.4, stated: 0.5, hi: 0.6 })).toBeTrue();
    expect(straddlesTier(inverter, { lo: 0.6, stated: 0.8, hi: 1 })).toBeFalse();
  });
});
