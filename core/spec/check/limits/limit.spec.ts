import type { Demand } from '../../../src/loads/apparent-power.js';
import { plainDemand } from '../../../src/supply/assist.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { check } from '../../../src/check/check.js';
import {
  atMostTight,
  exactCapacity,
  headroomShare,
  judge,
  type Limit,
} from '../../../src/check/limits/limit.js';
import { compareLimits, decidingLimit, isTooLittleKnown } from '../../../src/check/limits/limit-order.js';
import { deviate, oddsOf } from '../../../src/check/odds.js';
import { whenItTrips } from '../../../src/check/when-it-trips.js';
import { exampleRig, on } from '../../example-rig.js';

const rig = exampleRig({ heater: { w: 100 } }, { tiers: [[4000, 60]], watts: 2000, va: 2500, breakerA: 20 });
const { limits } = check(compile(rig), { supply: 'battery', on: on('heater') });
const example = limits.find(({ kind }) => kind === 'inverter-watts')!;
const ofBreaker = limits.find(({ id }) => id === 'main:amps')!;

/** A limit of the inverter's watts with a demand and a capacity of the test's own. */
const judged = (demand: Demand, capacity: number, best = capacity, kind: Limit['kind'] = 'inverter-watts') =>
  judge({
    ...example,
    kind,
    start: undefined,
    demand,
    running: demand,
    capacity: exactCapacity(capacity, capacity, best),
  });

describe('a limit', () => {
  it('holds at its very edge, and not a thousandth beyond (methods.md, rule 3)', () => {
    expect(judged(plainDemand(1000, 1000, 1000), 1000).verdict).toBe('holds');
    expect(judged(plainDemand(1000, 1000, 1001), 1000).verdict).toBe('tight');
    expect(judged(plainDemand(1000, 1001, 1001), 1000).verdict).toBe('likely-trips');
    expect(judged(plainDemand(1001, 1001, 1001), 1000).verdict).toBe('trips');
    expect(judged(plainDemand(0, 0, 0), 0).verdict).toBe('holds');
  });

  it('that is derated to nothing is over by whatever is asked of it, and idle where nothing is', () => {
    const asked = judged(plainDemand(0, 50, 50), 0, 100);
    expect([asked.verdict, asked.loading]).toEqual(['likely-trips', Infinity]);
    expect(judged(plainDemand(0, 0, 0), 0).loading).toBe(0);
    expect(headroomShare(asked, 'pessimistic')).toBe(-Infinity);
    expect(headroomShare(asked, 'optimistic')).toBe(1);
    expect(headroomShare(judged(plainDemand(0, 0, 0), 0), 'pessimistic')).toBe(0);
    expect(headroomShare(judged(plainDemand(0, 9, 9), 9, Infinity), 'optimistic')).toBe(1);
  });

  it('of planning is Tight and never Trips, as full as it is at worst (methods.md, rule 8)', () => {
    const rule = atMostTight(judged(plainDemand(1100, 1200, 1300), 1000, 1000, 'continuous-rule'));
    expect([rule.verdict, rule.edge, rule.loading]).toEqual(['tight', 'pessimistic', 1.3]);
    const kept = judged(plainDemand(1, 2, 3), 1000, 1000, 'continuous-rule');
    expect(atMostTight(kept)).toBe(kept);
  });

  it('comes before others as it matters: what trips, what is over as entered, what is little known, rules last', () => {
    const trips = judged(plainDemand(1100, 1200, 1300), 1000);
    const over = judged(plainDemand(900, 1010, 1020), 1000);
    const unknown = judged(plainDemand(900, 950, 2000), 1000);
    const full = judged(plainDemand(900, 990, 1090), 1000);
    const fuller = judged(plainDemand(900, 990, 1190), 1000);
    const rule = atMostTight(judged(plainDemand(1900, 1900, 1900), 1000, 1000, 'continuous-rule'));
    const holds = judged(plainDemand(900, 900, 900), 1000);
    const inOrder = [trips, over, unknown, fuller, full, rule, holds];
    expect([holds, rule, full, unknown, over, fuller, trips].sort(compareLimits)).toEqual(inOrder);
    expect(decidingLimit([holds, full, over])).toBe(over);
    expect(decidingLimit([over, { ...over }])).toBe(over);
    expect(decidingLimit([])).toBeUndefined();
  });

  it('is so many standard uncertainties from its margin, half-widths being two (JCGM 100:2008, 6.2)', () => {
    expect(deviate(judged(plainDemand(900, 900, 1100), 1000))).toBeCloseTo(1, 9);
    expect(deviate(judged(plainDemand(900, 1100, 1100), 1000))).toBeCloseTo(-1, 9);
    // the doubt of the limit joins the root
    expect(deviate(judged(plainDemand(960, 1100, 1100), 1000, 1048))).toBeCloseTo(
      -200 / Math.hypot(140, 48),
      9,
    );
    expect(deviate(judged(plainDemand(900, 1000, 1100), 1000))).toBe(0);
    expect(deviate(judged(plainDemand(900, 1100, 1100), 1000, Infinity))).toBe(0);
    expect(deviate(judged(plainDemand(900, 900, 900), 1000))).toBe(Infinity);
    expect(deviate(judged(plainDemand(1100, 1100, 1100), 1000))).toBe(-Infinity);
    expect(deviate(judged(plainDemand(1000, 1000, 1000), 1000))).toBe(Infinity);
  });

  it('has odds in five words by the tables of the normal distribution (35 and 5 % to either side)', () => {
    expect([1.7, 0.39, 0.38, 0, -0.38, -0.39, -1.64, -1.7].map(oddsOf)).toEqual([
      'almost-surely-holds',
      'probably-holds',
      'even',
      'even',
      'even',
      'probably-trips',
      'probably-trips',
      'almost-surely-trips',
    ]);
  });

  it('is too little known where a doubt beyond the limit leaves the answer open, or it has no rating', () => {
    expect(isTooLittleKnown(judged(plainDemand(900, 950, 2000), 1000))).toBeTrue();
    expect(isTooLittleKnown(judged(plainDemand(900, 950, 1940), 1000))).toBeFalse();
    // by far over as entered: no number that could be looked up changes that
    expect(isTooLittleKnown(judged(plainDemand(990, 3000, 9000), 1000))).toBeFalse();
    expect(isTooLittleKnown(judged(plainDemand(1, 1, 1), 1000, 1000, 'unknown-rating'))).toBeTrue();
  });

  it('that trips does so as its start, its tier or the will curve of its breaker says', () => {
    const steady = (limit: Limit, lo: number) => whenItTrips({ ...limit, worst: { lo, stated: lo, hi: lo } });
    // the one tier is 4,000 VA for 60 s; watts are compared as VA at 2,000 W to 2,500 VA
    expect(steady(example, 3100)).toEqual({ pace: 'seconds', withinS: 60 });
    expect(steady(example, 3300)).toEqual({ pace: 'at-once', withinS: 0 });
    // UL 489 calibration: more than 135 % of 20 A opens within the hour, 200 % within two minutes (from memory)
    const [slow, fast] = [steady(ofBreaker, 28), steady(ofBreaker, 40)];
    expect([slow.pace, fast.pace]).toEqual(['minutes', 'minutes']);
    expect(steady(ofBreaker, 100).pace).toBe('seconds');
    expect(steady(ofBreaker, 20)).toEqual({ pace: 'unknown' });
    const plug: Limit = { ...example, element: { kind: 'plug-and-cord' } as never };
    expect(whenItTrips(plug).pace).toBe('unknown');
  });
});
