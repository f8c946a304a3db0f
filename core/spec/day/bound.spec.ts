import fc from 'fast-check';
import highsLoader from 'highs';
import { highsSolver } from '../../src/day/bound/highs-solver.js';
import { proofOfPlan } from '../../src/day/bound/proof-of-plan.js';
import { planOfDay, planAsKept } from '../../src/day/day-plan.js';
import { withPlan } from '../../src/rig/day-edits.js';
import type { Day, Job, Placement } from '../../src/rig-file/schema.js';
import { clashWords } from '../../src/day/proof-words.js';
import { compile } from '../../src/check/wiring/compile.js';
import { always } from '../always.js';
import { demoRig } from '../demo-rigs.js';
import { anyDay, dayOf } from './random-days.js';

const tern = demoRig('tern');
const compiled = compile(tern);
const saturday = tern.days![0]!;
const solver = async () => highsSolver(await highsLoader());
const planned = (day: Day): Day => {
  const { pieces, supplyRuns } = planOfDay(compiled, day, { rounds: 2 });
  return withPlan(day, pieces, supplyRuns);
};
const NEARLY = 1e-3;

describe('how good a plan can be at best (bounds by HiGHS)', () => {
  it('is never less than what a plan reaches (random days of Tern)', async () => {
    const solve = await solver();
    always(
      fc.property(anyDay(tern), (asked) => {
        const { musts, rest, generatorMinutes, lowestWh } = proofOfPlan(
          compiled,
          planned(dayOf(saturday, asked)),
          solve,
        );
        expect(musts.atBest!).toBeGreaterThanOrEqual(musts.reached);
        expect(rest.atBest!).toBeGreaterThanOrEqual(rest.reached);
        expect(generatorMinutes.atBest!).toBeLessThanOrEqual(generatorMinutes.reached);
        expect(lowestWh.atBest!).toBeGreaterThanOrEqual(lowestWh.reached - NEARLY);
      }),
      { numRuns: 6 },
    );
  });

  it('is what every way to place a few jobs comes to, tried one by one', async () => {
    const hour = { from: '19:00', until: '20:00' };
    const jobs: readonly Job[] = [
      { id: 'a', name: 'A', load: 'kettle', minutes: 30, importance: 'must', ...hour },
      { id: 'b', name: 'B', load: 'oven', minutes: 30, importance: 'must', ...hour },
      { id: 'c', name: 'C', load: 'bandsaw', minutes: 30, importance: 'should', ...hour },
      { id: 'd', name: 'D', load: 'roof-air', minutes: 60, importance: 'may', ...hour },
    ];
    const day: Day = { ...saturday, supplies: [], targetPercent: 0, jobs: [...jobs] };
    const begins = [660, 675, 690];
    const ways = jobs.reduce<readonly (readonly Placement[])[]>(
      (all, { id, minutes = 0 }) =>
        all.flatMap((way) => [
          way,
          ...begins
            .filter((begin) => begin + minutes <= 720)
            .map((begin) => [...way, { job: id, begin, minutes }]),
        ]),
      [[]],
    );
    const weight = { must: 100, should: 10, may: 1 };
    const worthOf = (way: readonly Placement[]): number =>
      way.reduce((sum, { job }) => sum + weight[jobs.find(({ id }) => id === job)!.importance!], 0);
    const holding = ways.filter((way) =>
      planAsKept(compiled, withPlan(day, way, []), 'sketch').moments.every(
        ({ verdict }) => verdict === 'holds',
      ),
    );
    const most = Math.max(...holding.map(worthOf));
    const plan = planned(day);
    const { musts, rest } = proofOfPlan(compiled, plan, await solver());
    expect(worthOf(plan.plan!)).toBe(most);
    expect(100 * musts.atBest! + rest.atBest!).toBeGreaterThanOrEqual(most);
    expect([musts.atBest, rest.atBest]).toEqual([musts.reached, rest.reached]);
  });

  it('names the smallest group of musts that clash, proved, and what would free it', async () => {
    const must = (id: string, load: string, minutes: number, more: Partial<Job> = {}): Job => ({
      ...{ id, name: id, load, minutes, importance: 'must', from: '19:00', until: '20:00' },
      ...more,
    });
    const jobs = [
      must('kettle', 'kettle', 40),
      must('oven', 'oven', 40),
      must('iron', 'bending-iron', 15),
      must('tools', 'tool-charger', 60, { from: '08:00', until: '22:00' }),
    ];
    const day: Day = { ...saturday, supplies: [], targetPercent: 0, jobs };
    const { clash, musts } = proofOfPlan(compiled, planned(day), await solver());
    expect([musts.reached, musts.atBest]).toEqual([3, 3]);
    expect(clash!.isProved).toBe(true);
    expect([...clash!.jobs].sort()).toEqual(['kettle', 'oven']);
    expect(clash!.freedBy).toEqual(['limits', 'windows']);
    // 1,420 and 1,460 W at once on an inverter of 3,000 VA: Tight, or too much for what its breakers bear.
    expect(clash!.element).toBe('Inverter');
    const apart = { ...day, jobs: jobs.map((job) => ({ ...job, from: '19:00', until: '20:30' })) };
    expect(proofOfPlan(compiled, planned(apart), await solver()).clash).toBeUndefined();
  });

  it('says that turns are in the way where they are, and that no limit is', async () => {
    const jobs = ['iron', 'tools'].map((id, index): Job => ({
      ...{ id, name: id, load: index === 0 ? 'bending-iron' : 'tool-charger', minutes: 40 },
      ...{ importance: 'must', from: '19:00', until: '20:00', attended: 'yes' },
    }));
    const day: Day = { ...saturday, supplies: [], targetPercent: 0, jobs };
    const { clash } = proofOfPlan(compiled, planned(day), await solver());
    expect([clash!.isProved, clash!.jobs, clash!.freedBy]).toEqual([
      true,
      ['iron', 'tools'],
      ['turns', 'windows'],
    ]);
    expect(clashWords(day, clash)).toBe(
      'iron and tools cannot all be done: that is proved. Leave one of them out. What could free them: not having to take turns; or other times for them.',
    );
  });

  it('says that too little charge is in the way where it is', async () => {
    const jobs: Job[] = ['08:00', '14:00'].map((from, index) => ({
      id: `job-${index}`,
      name: `Job ${index}`,
      load: 'varnish-cabinet',
      minutes: 240,
      importance: 'must',
      from,
      until: index === 0 ? '14:00' : '22:00',
    }));
    const low: Day = {
      ...saturday,
      supplies: [],
      startPercent: 46,
      targetPercent: 0,
      latitude: undefined,
      jobs,
    };
    const { clash } = proofOfPlan(compiled, planned(low), await solver());
    expect(clash).toEqual({
      isProved: true,
      jobs: ['job-0', 'job-1'],
      freedBy: ['battery'],
      element: undefined,
    });
  });
});
