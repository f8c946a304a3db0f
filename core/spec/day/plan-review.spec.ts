import { minutesInPlan, SLOT_MINUTES } from '../../src/day/clock.js';
import { planAsKept, planOfDay } from '../../src/day/day-plan.js';
import { reviewOfPlan } from '../../src/day/plan/plan-review.js';
import { withPlan } from '../../src/rig/day-edits.js';
import type { Day, Job } from '../../src/rig-file/schema.js';
import { compile } from '../../src/check/wiring/compile.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');
const compiled = compile(tern);
const saturday = tern.days![0]!;
const planned = (day: Day, of = compiled): Day => {
  const { pieces, supplyRuns } = planOfDay(of, day, { rounds: 1 });
  return withPlan(day, pieces, supplyRuns);
};

describe('what else is known of a plan', () => {
  it('is whether the night lasts, as the charge of the plan has it in the morning', () => {
    const day = planned(saturday);
    const plan = planAsKept(compiled, day);
    const [night] = reviewOfPlan(compiled, day).nights;
    const at = (time: string): number => minutesInPlan(day, time) / SLOT_MINUTES;
    expect([night!.from, night!.until]).toEqual([minutesInPlan(day, '22:00'), minutesInPlan(day, '07:00')]);
    expect(night!.beginsWh).toBeCloseTo(plan.charge.stated[at('22:00')]!, 6);
    expect(night!.endsWh.stated).toBeCloseTo(plan.charge.stated[at('07:00')]!, 6);
    expect(night!.endsWh.lo).toBeCloseTo(plan.charge.worst[at('07:00')]!, 6);
    expect(night!.leftWh.stated).toBeCloseTo(night!.endsWh.stated - plan.reserveWh, 6);
    // Lights 65 W from the battery itself for nine hours.
    expect(night!.takers[0]).toEqual({ job: 'lights', savesWh: jasmine.any(Number) as never });
    expect(night!.takers[0]!.savesWh).toBeCloseTo(65 * 9, -1);
    expect(night!.inverterOff!.off).toEqual(['fridge']);
    expect(night!.inverterOff!.endsWh).toBeGreaterThan(night!.endsWh.stated + night!.takers[1]!.savesWh);
  });

  it('is when the reserve is reached in a night that does not last', () => {
    const heat: Job = { id: 'heat', name: 'Heat', load: 'glue-pot', from: '20:00', until: '07:00' };
    const day: Day = { ...saturday, startPercent: 30, supplies: [], latitude: undefined, jobs: [heat] };
    const put = withPlan(day, [{ job: 'heat', begin: minutesInPlan(day, '20:00'), minutes: 660 }]);
    const [night] = reviewOfPlan(compiled, put).nights;
    expect(night!.verdict).toBe('runs-out');
    const trace = planAsKept(compiled, put).charge.stated;
    expect(trace[night!.reserveAt! / SLOT_MINUTES]!).toBeLessThan(2048);
    expect(trace[night!.reserveAt! / SLOT_MINUTES - 1]!).toBeGreaterThanOrEqual(2048);
    expect(night!.leftWh).toEqual({ lo: 0, stated: 0, hi: 0 });
  });

  it('is what it costs: a full battery takes nothing, and a price is asked for what passes the meter', () => {
    const priced = compile({
      ...tern,
      supplies: tern.supplies.map((supply) =>
        supply.id === 'shore-30' ? { ...supply, pricePerKWh: 0.3 } : supply,
      ),
    });
    const tea: Job = { id: 'tea', name: 'Tea', load: 'kettle', minutes: 60 };
    const day: Day = { ...saturday, startPercent: 100, latitude: undefined, jobs: [tea] };
    const put = withPlan(day, [{ job: 'tea', begin: minutesInPlan(day, '09:00'), minutes: 60 }]);
    const { costs, hours } = reviewOfPlan(priced, put);
    const [shore] = costs;
    // What the inverter drew from 08:00 to 09:00 on its own is filled up again.
    expect(shore!.wh).toBeGreaterThan(1420);
    expect(shore!.wh).toBeLessThan(1420 + 60);
    expect(shore!.cost).toBeCloseTo((0.3 * shore!.wh) / 1000, 9);
    const kettle = hours.find(({ load }) => load === 'kettle')!.on;
    expect(kettle['shore-30']).toEqual({ wh: 1420, cost: 0.426 });
    expect(kettle['battery']!.wh).toBeGreaterThan(1420 / 0.95);
    expect(kettle['battery']!.cost).toBeUndefined();
    expect(hours.find(({ load }) => load === 'water-heater')!.on['battery']).toBeUndefined();
  });

  it('is what to switch on while sun is thrown away: with it in the plan all holds, and less is thrown away', () => {
    const sunny: Day = {
      ...saturday,
      startPercent: 100,
      supplies: [],
      cloudOktas: 0,
      jobs: [saturday.jobs[0]!],
    };
    const day = planned(sunny);
    const { sunUses } = reviewOfPlan(compiled, day);
    expect(sunUses.length).toBeGreaterThan(0);
    const thrown = (of: Day): number =>
      planAsKept(compiled, of).curtailedW.reduce((sum, watts) => sum + watts / 12, 0);
    for (const { load, from, until, wh, unplugged } of sunUses) {
      expect(unplugged).toBe(false);
      const job: Job = { id: 'more', name: 'More', load: load!, minutes: until - from };
      const more = withPlan({ ...day, jobs: [...day.jobs, job] }, [
        ...day.plan!,
        { job: 'more', begin: from, minutes: until - from },
      ]);
      const { moments } = planAsKept(compiled, more);
      expect(moments.every(({ verdict }) => verdict === 'holds'))
        .withContext(load!)
        .toBe(true);
      expect(thrown(day) - thrown(more))
        .withContext(load!)
        .toBeCloseTo(wh, 3);
    }
  });

  it('is what one surprise does at each of its moments', () => {
    const { surprise } = reviewOfPlan(compiled, planned(saturday));
    const harmed = surprise.harm.reduce((sum, { from, until }) => sum + until - from, 0);
    expect(surprise.harmlessMinutes + harmed).toBe(surprise.ofMinutes);
    expect(surprise.ofMinutes).toBe(1440);
    // Oven and hob of 1,460 and 1,150 W on an inverter of 3,000 VA leave no room for 1,500 W more.
    expect(surprise.harm[0]!.verdict).toBe('trips');
  });
});
