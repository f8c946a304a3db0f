import { reviewOfPlan } from '../../src/day/plan/plan-review.js';
import { withPlan } from '../../src/rig/day-edits.js';
import { minutesInPlan } from '../../src/day/clock.js';
import { planOfDay, type DayPlan } from '../../src/day/day-plan.js';
import type { Day, Job } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const compiled = compile(tern);
const saturday = tern.days![0]!;

const dayOf = (jobs: readonly Partial<Job>[], more: Partial<Day> = {}): Day => ({
  ...saturday,
  targetPercent: 0,
  ...more,
  jobs: jobs.map((job, index) => ({ load: 'kettle', ...job, id: `job-${index}`, name: `Job ${index}` })),
});
const planOf = (day: Day): DayPlan => planOfDay(compiled, day, { rounds: 2 });
const overlap = ({ pieces: [a, b] }: DayPlan): boolean =>
  a!.begin < b!.begin + b!.minutes && b!.begin < a!.begin + a!.minutes;

describe('what a job asks for', () => {
  it('is done as often as it says, each time whole', () => {
    const plan = planOf(dayOf([{ minutes: 10, times: 3 }]));
    expect([plan.placed, plan.of]).toEqual([3, 3]);
    expect(plan.pieces.map(({ minutes }) => minutes)).toEqual([10, 10, 10]);
  });

  it('keeps apart what takes turns, and what the same pair of hands stands beside; nobody stands beside it at night', () => {
    const two = (more: Partial<Job>): Partial<Job>[] => [
      { load: 'bandsaw', minutes: 120, from: '09:00', until: '13:00', ...more },
      { load: 'bending-iron', minutes: 120, from: '09:00', until: '13:00', ...more },
    ];
    expect(overlap(planOf(dayOf(two({}))))).toBe(true);
    expect(overlap(planOf(dayOf(two({ turns: 'bench' }))))).toBe(false);
    expect(overlap(planOf(dayOf(two({ attended: 'yes' }))))).toBe(false);
    const late: Partial<Job> = { minutes: 10, from: '21:30', until: '23:00' };
    expect(planOf(dayOf([{ ...late, minutes: 60 }])).placed).toBe(1);
    const asleep = planOf(dayOf([{ ...late, minutes: 60, attended: 'yes' }]));
    expect(asleep.unplaced.map(({ answer }) => answer)).toEqual(['impossible']);
    expect(planOf(dayOf([{ ...late, minutes: 60, attended: 'yes' }], { nightFrom: '23:30' })).placed).toBe(1);
  });

  it('brings on what starts with its load, where that is fed: it counts in every moment and in the energy', () => {
    const sawing = dayOf([{ load: 'bandsaw', minutes: 60, from: '09:00', until: '12:00' }]);
    const ties = (follower: string) =>
      compile({ ...tern, ties: [{ leader: 'bandsaw', follower, delayS: 0 }] });
    const runs = ({ moments }: DayPlan, load: string): boolean =>
      moments.some(({ on }) => on.some((each) => each.load === load));
    const alone = planOf(sawing);
    const followed = planOfDay(ties('extractor'), sawing, { rounds: 2 });
    expect([runs(alone, 'extractor'), runs(followed, 'extractor')]).toEqual([false, true]);
    const drawn = ({ whOfJobs }: DayPlan): number => whOfJobs['job-0']!;
    expect(drawn(followed)).toBeGreaterThan(1.5 * drawn(alone));
    const onBattery = planOfDay(ties('water-heater'), { ...sawing, supplies: [] }, { rounds: 2 });
    expect(onBattery.placed).toBe(1);
    // as a job of its own it is missed, though the saw runs beside it
    const both = dayOf([
      { load: 'bandsaw', minutes: 60, from: '09:00', until: '10:00' },
      { load: 'water-heater', minutes: 30, from: '09:00', until: '10:00' },
    ]);
    const plan = planOfDay(ties('water-heater'), { ...both, supplies: [] }, { rounds: 2 });
    expect(plan.pieces.map(({ job }) => job)).toEqual(['job-0']);
  });

  it('is cut down before it is left out, and no further than it may be', () => {
    const long: Partial<Job> = { load: 'varnish-cabinet', minutes: 1200 };
    const low: Partial<Day> = { startPercent: 45, supplies: [], cloudOktas: 8 };
    expect(planOf(dayOf([long], low)).placed).toBe(0);
    const plan = planOf(dayOf([{ ...long, leastMinutes: 120 }], low));
    expect(plan.placed).toBe(1);
    expect(plan.pieces[0]!.minutes).toBeGreaterThanOrEqual(120);
    expect(plan.pieces[0]!.minutes).toBeLessThan(1200);
    expect(plan.cutMinutes).toEqual({ 'job-0': 1200 - plan.pieces[0]!.minutes });
  });

  it('runs the generator rather than cutting something down', () => {
    const long: Partial<Job> = { load: 'varnish-cabinet', minutes: 1200, leastMinutes: 120 };
    const supplies = [{ ...saturday.supplies![1]!, from: '09:00', until: '20:00' }];
    const plan = planOf(dayOf([long], { startPercent: 45, cloudOktas: 8, supplies }));
    expect(plan.generatorMinutes).toBeGreaterThan(0);
    expect(plan.cutMinutes).toEqual({});
  });

  it('keeps its quiet hours and the night in a plan from midnight to midnight, the small hours too', () => {
    const midnight: Partial<Day> = { begins: '00:00', supplies: [] };
    const early: Partial<Job> = { minutes: 60, from: '03:00', until: '05:00' };
    expect(planOf(dayOf([early], midnight)).placed).toBe(1);
    expect(planOf(dayOf([{ ...early, attended: 'yes' }], midnight)).placed).toBe(0);
    const quiet = compile({
      ...tern,
      loads: tern.loads.map((load) => ({ ...load, quietHours: { from: '22:00', to: '07:00' } })),
    });
    expect(planOfDay(quiet, dayOf([early], midnight), { rounds: 0 }).placed).toBe(0);
    const day = dayOf([{ load: 'fridge' }], midnight);
    const { pieces } = planOf(day);
    const nights = reviewOfPlan(compiled, withPlan(day, pieces)).nights;
    expect(nights.map(({ from, until }) => [from, until])).toEqual([
      [0, 420],
      [1320, 1440],
    ]);
  });

  it('leaves room for each of its starts, whatever runs beside it', () => {
    const beside: Partial<Job>[] = [
      { load: 'kettle', minutes: 60, from: '20:00', until: '21:00' },
      { load: 'bandsaw', minutes: 60, from: '20:00', until: '21:00' },
    ];
    const usual = compile({
      ...tern,
      loads: tern.loads.map((load) =>
        load.id === 'bandsaw' ? { ...load, usage: 'left-on' as const } : load,
      ),
    });
    const placed = (starts: number): number =>
      planOfDay(usual, dayOf([beside[0]!, { ...beside[1], starts }]), { rounds: 1 }).placed;
    expect([placed(1), placed(40)]).toEqual([2, 1]);
  });

  it('keeps energy for what must never be shed, on top of the reserve', () => {
    const fridge = dayOf([{ load: 'fridge' }]);
    const kept = planOf(dayOf([{ load: 'fridge', keepsHours: 10 }]));
    const more = kept.reserveWh - planOf(fridge).reserveWh;
    // 82 W for a third of the time: about 270 Wh in ten hours, and its losses.
    expect(more).toBeGreaterThan(270);
    expect(more).toBeLessThan(400);
  });

  it('charges on the road, and nothing into a battery that is too cold for it', () => {
    const road: Partial<Day> = {
      supplies: [],
      latitude: undefined,
      startPercent: 50,
      drives: [{ from: '10:00', until: '12:00', watts: 1000, onDay: undefined }],
    };
    const atNoon = (day: Day, of = compiled): number =>
      planOfDay(of, day, { rounds: 0 }).charge.stated[minutesInPlan(day, '12:00') / 5]!;
    const still = atNoon(dayOf([], { ...road, drives: [] }));
    const driven = atNoon(dayOf([], road));
    expect(driven - still).toBeGreaterThan(1900);
    expect(driven - still).toBeLessThan(2000);
    const cold = compile({ ...tern, conditions: { ...tern.conditions, batteryC: -5 } });
    expect(atNoon(dayOf([], road), cold)).toBeCloseTo(still + 2 * 28, -2);
  });
});
