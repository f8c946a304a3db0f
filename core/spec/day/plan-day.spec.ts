import fc from 'fast-check';
import { timeInPlan, minutesInPlan, SLOT_MINUTES, stretchesBetween } from '../../src/day/clock.js';
import { planAsKept, planOfDay, type DayPlan } from '../../src/day/day-plan.js';
import { withPlan } from '../../src/rig/day-edits.js';
import { dayWithoutLoad } from '../../src/rig/day-without.js';
import type { Day, Job, Rig } from '../../src/rig-file/schema.js';
import { assumptionWords } from '../../src/day/day-words.js';
import { batteryClockOf } from '../../src/outlook/battery-clock.js';
import { check } from '../../src/check/check.js';
import { compile } from '../../src/check/wiring/compile.js';
import { always, cases } from '../always.js';
import { demoRig } from '../demo-rigs.js';
import { anyDay, dayOf } from './random-days.js';
import { replayed } from './slow-replay.js';

const tern = demoRig('tern');
const compiled = compile(tern);
const saturday = tern.days![0]!;

const of = (plan: DayPlan, job: string) => plan.pieces.filter((piece) => piece.job === job);

describe('a day as it is planned', () => {
  it('holds at every moment and keeps its reserve, by a slow replay minute by minute through the check (random days of Tern)', () => {
    let placed = 0;
    always(
      fc.property(anyDay(tern), (asked) => {
        const day = dayOf(saturday, asked);
        const plan = planOfDay(compiled, day, { rounds: 2 });
        placed += plan.placed;
        const replay = replayed(tern, withPlan(day, plan.pieces, plan.supplyRuns));
        expect(replay.troubles).toEqual([]);
        const reserve = Math.min(plan.reserveWh, (plan.fullWh * day.startPercent!) / 100);
        expect(replay.lowestWh).toBeGreaterThan(reserve - 1);
        expect(plan.moments.every(({ verdict }) => verdict === 'holds')).toBe(true);
      }),
      { numRuns: 6 },
    );
    expect(placed).toBeGreaterThan(cases(6));
  });

  it('has every job whole, within its window and behind what it comes after; what is pinned stays', () => {
    const pinned: Day = {
      ...saturday,
      plan: [{ job: 'tea', begin: minutesInPlan(saturday, '16:10'), minutes: 5, pinned: 'yes' }],
    };
    const plan = planOfDay(compiled, pinned, { rounds: 3 });
    expect(of(plan, 'tea')).toEqual([jasmine.objectContaining({ begin: 490, pinned: 'yes' })]);
    for (const job of pinned.jobs.filter(({ id }) => id !== 'water')) {
      const pieces = of(plan, job.id);
      const minutes = pieces.reduce((sum, piece) => sum + piece.minutes, 0);
      if (job.minutes !== undefined) expect(minutes).withContext(job.id).toBe(job.minutes);
      const windows = stretchesBetween(pinned, job.from ?? '08:00', job.until ?? '08:00');
      for (const { begin, minutes: length } of pieces)
        expect(
          windows.some(
            ({ from, until }) => begin >= from * SLOT_MINUTES && begin + length <= until * SLOT_MINUTES,
          ),
        )
          .withContext(job.id)
          .toBe(true);
    }
    const [saw] = of(plan, 'saw').slice(-1);
    expect(of(plan, 'bend')[0]!.begin).toBeGreaterThanOrEqual(saw!.begin + saw!.minutes);
  });

  it('places all of Tern’s Saturday but the hot water, of which it proves that nothing feeds it then, and says what would', () => {
    const plan = planOfDay(compiled, saturday, { rounds: 10 });
    expect([plan.placed, plan.of, plan.energy]).toEqual([14, 15, 'lasts']);
    const [water] = plan.unplaced;
    expect([water!.job, water!.answer]).toEqual(['water', 'impossible']);
    expect(water!.obstacles.map(({ by }) => by)).toEqual(['not-fed']);
    expect(water!.changes).toContain({ by: 'supply', supplyId: 'shore-30', chargingOff: true });
  });

  it('runs the battery down to its reserve when the clock says so, at both edges of what it may hold: 10 % (common practice)', () => {
    const heater: Rig['loads'][number] = {
      ...tern.loads.find(({ id }) => id === 'bending-iron')!,
      runsMinutes: 600,
    };
    const one = compile({ ...tern, loads: [heater], scenes: [], days: [], solar: [], conditions: {} });
    const job: Job = { id: 'iron', name: 'Iron', load: 'bending-iron', minutes: 1200, importance: 'must' };
    const day: Day = {
      ...saturday,
      supplies: [],
      startPercent: 82,
      targetPercent: 0,
      latitude: undefined,
      jobs: [job],
    };
    const { charge, reserveWh } = planAsKept(
      one,
      withPlan(day, [{ job: 'iron', begin: 0, minutes: 1200 }], []),
    );
    const hoursTo = (wh: readonly number[]): number =>
      (wh.findIndex((each) => each < reserveWh) * SLOT_MINUTES) / 60;
    const scene = {
      supply: 'battery',
      on: [{ load: 'bending-iron' }],
      charge: { percent: 82, readAt: '2026-01-01T00:00:00Z' },
    };
    const { toReserve } = batteryClockOf(scene, check(one, scene))!.lastsS!;
    for (const [wh, seconds] of [
      [charge.worst, toReserve.lo],
      [charge.stated, toReserve.stated],
    ] as const)
      expect(Math.abs(hoursTo(wh) / (seconds / 3600) - 1))
        .withContext(`${hoursTo(wh)} h`)
        .toBeLessThan(0.06);
    expect(toReserve.lo / toReserve.stated).toBeLessThan(0.93);
  });

  it('runs the generator only where it lets more be done, in one run and for no longer than it takes', () => {
    const low: Day = {
      ...saturday,
      startPercent: 30,
      targetPercent: 40,
      supplies: saturday.supplies!.slice(1),
      cloudOktas: 8,
    };
    const few: Day = { ...low, jobs: low.jobs.filter(({ id }) => ['lights', 'fridge'].includes(id)) };
    const plan = planOfDay(compiled, few, { rounds: 2 });
    expect(plan.placed).toBe(2);
    expect(plan.supplyRuns.length).toBe(1);
    const [run] = plan.supplyRuns;
    const shorter = withPlan(few, plan.pieces, [{ ...run!, minutes: run!.minutes - SLOT_MINUTES }]);
    const end = planAsKept(compiled, shorter).charge.worst.at(-1)!;
    expect(end).toBeLessThan(plan.fullWh * 0.4);
    expect(planOfDay(compiled, { ...few, startPercent: 90 }, { rounds: 2 }).supplyRuns).toEqual([]);
  });

  it('is the same when it is read back, and moves only what it says may move', () => {
    const plan = planOfDay(compiled, saturday, { rounds: 3 });
    const kept = withPlan(saturday, plan.pieces, plan.supplyRuns);
    const again = planAsKept(compiled, kept);
    expect(again.pieces).toEqual(plan.pieces);
    expect(again.lowest.wh).toBeCloseTo(plan.lowest.wh, 6);
    for (const piece of plan.pieces.filter(({ later }) => later > 0)) {
      const moved = kept.plan!.map((each) =>
        each.job === piece.job && each.begin === piece.begin
          ? { ...each, begin: each.begin + piece.later }
          : each,
      );
      const result = planAsKept(compiled, withPlan(saturday, moved, plan.supplyRuns));
      expect(result.moments.every(({ verdict }) => verdict === 'holds'))
        .withContext(piece.job)
        .toBe(true);
    }
  });

  it('knows the time of the day at each of its minutes, over midnight and on each day', () => {
    expect(minutesInPlan({ begins: '08:00' }, '02:30', 1)).toBe(1110);
    expect(timeInPlan({ begins: '08:00' }, 1110)).toBe('02:30');
    expect(minutesInPlan({ begins: '08:00' }, '08:00', 2)).toBe(1440);
    expect(stretchesBetween({ begins: '08:00', days: 2 }, '22:00', '06:00')).toEqual([
      { from: 168, until: 264 },
      { from: 456, until: 552 },
    ]);
  });

  it('says of what was put where nothing feeds it, and reads back jobs of a certain day', () => {
    const moved = withPlan(saturday, [
      { job: 'water', begin: minutesInPlan(saturday, '19:00'), minutes: 60 },
    ]);
    expect(planAsKept(compiled, moved).pieces.map(({ misplaced }) => misplaced)).toEqual(['not-fed']);
    const secondDay: Day = {
      ...saturday,
      days: 2,
      jobs: [{ id: 'iron', name: 'Iron', load: 'bending-iron', minutes: 30, onDay: 2 }],
    };
    const plan = planOfDay(compiled, secondDay, { rounds: 1 });
    expect(plan.pieces[0]!.begin).toBeGreaterThanOrEqual(1440);
    expect(planAsKept(compiled, withPlan(secondDay, plan.pieces)).pieces.length).toBe(1);
  });

  it('judges what a job runs for hours as what runs for hours, whatever its load usually does (80 % rule)', () => {
    const short = compile({
      ...tern,
      loads: tern.loads.map((load) => (load.id === 'roof-air' ? { ...load, runsMinutes: 20 } : load)),
    });
    const cooled = (minutes: number): Day => ({
      ...saturday,
      jobs: [{ id: 'cool', name: 'Cool', load: 'roof-air', state: 'cool', minutes }],
      plan: [{ job: 'cool', begin: minutesInPlan(saturday, '10:00'), minutes }],
    });
    const verdicts = (minutes: number) =>
      planAsKept(short, cooled(minutes)).moments.map(({ verdict }) => verdict);
    expect(verdicts(120)).not.toContain('tight');
    expect(verdicts(240)).toContain('tight');
  });

  it('is planned though a job has no window at all, and says so', () => {
    const never: Day = {
      ...saturday,
      jobs: [{ id: 'late', name: 'Late', load: 'kettle', minutes: 5, onDay: 5 }],
    };
    const plan = planOfDay(compiled, never, { rounds: 8 });
    expect([plan.placed, plan.unplaced[0]!.answer, plan.unplaced[0]!.obstacles.length]).toEqual([
      0,
      'impossible',
      0,
    ]);
    expect(planOfDay(compiled, { ...saturday, jobs: [] }, { rounds: 2 }).of).toBe(0);
  });

  it('counts no sun where it is not known where, and says what it takes for granted', () => {
    const { latitude: _latitude, startPercent: _startPercent, ...somewhere } = saturday;
    const day: Day = { ...somewhere, jobs: saturday.jobs.filter(({ id }) => id !== 'fridge') };
    expect(Math.max(...planAsKept(compiled, day).solarW)).toBe(0);
    expect(assumptionWords(tern, day)).toEqual([
      'Taken to be off all the while, though it starts by itself: Fridge.',
      'No sun is counted: latitude and longitude are not entered.',
      'The battery is taken to be full at the beginning.',
    ]);
    expect(assumptionWords(tern, saturday)).toEqual([]);
  });

  it('forgets a load with its jobs', () => {
    const without = dayWithoutLoad(saturday, 'bandsaw');
    expect(without.jobs.some(({ load }) => load === 'bandsaw')).toBe(false);
    expect(without.jobs.some(({ after }) => after === 'saw')).toBe(false);
  });
});
