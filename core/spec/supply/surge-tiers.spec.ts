import { secondsCarried, straddlesTier, surgeCeiling } from '../../src/supply/surge-tiers.js';
import { exampleRig } from '../example-rig.js';
import { workedExample } from '../worked-example.js';

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
  it('carry a start by the highest that outlasts it (worked example 3.1)', () => {
    const { given, comesTo } = workedExample('3.1');
    const [va, va60, s60, va5, s5, vaHalf, sHalf, short, long] = given;
    const tiers = [
      [va60, s60],
      [va5, s5],
      [vaHalf, sHalf],
    ] as const;
    const example = exampleRig({}, { va, tiers }).converters[0]!;
    comesTo(surgeCeiling(example, short).value, surgeCeiling(example, long).value);
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
