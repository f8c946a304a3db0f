import { readFileSync } from 'node:fs';
import highsLoader from 'highs';
import { compile } from '../src/api/check.js';
import { readRigFile, type Rig } from '../src/api/rig.js';
import { highsSolver } from '../src/day/bound/highs-solver.js';
import { proofOfPlan } from '../src/day/bound/proof-of-plan.js';
import { daySystemOf } from '../src/day/day-system.js';
import { placementsOf, planDay } from '../src/day/plan/plan-day.js';
import { supplyRunsOf } from '../src/day/supply-runs.js';
import { randomNumbers } from '../src/day/plan/random-numbers.js';
import { isPlaced } from '../src/day/plan/worth-of-plan.js';
import { withPlan } from '../src/rig/day-edits.js';
import type { Day, Job } from '../src/rig-file/schema.js';
import { planAsKept } from '../src/day/day-plan.js';
import { placementsIn, timeIndexed, worthOfPlaced } from '../spec/day/day-by-milp.js';

/**
 * Plans of seeded days against a time-indexed mixed-integer programme solved by HiGHS, and against the bounds that the
 * application shows: how often the plan is the best there is, and in which share of the time. Ratios in one run.
 */
const SEEDS = [1, 2, 3, 4, 5, 6, 7, 8];
const MILP_SECONDS = 20;
const JOBS = [10, 14, 18, 24];

const tern = demo('tern');
const compiled = compile(tern);
const highs = await highsLoader();
const solve = highsSolver(highs);

let best = 0;
let beaten = 0;
const times: number[] = [];
for (const seed of SEEDS) {
  const day = seededDay(tern, seed, JOBS[seed % JOBS.length] ?? 10);
  // What is known of sets is asked anew.
  const system = daySystemOf(compile(tern), day);
  let first = 0;
  const began = performance.now();
  const plan = planDay(system, {}, () => (first ||= performance.now() - began));
  const took = performance.now() - began;
  const placed = [...system.tasks.keys()].filter((task) => isPlaced(plan, task));
  const worth = worthOfPlaced(system, placed);
  const proof = timed(() =>
    proofOfPlan(compiled, withPlan(day, placementsOf(plan), supplyRunsOf(plan)), solve),
  );
  const { musts, rest, lowestWh } = proof.value;
  const milp = timed(() => highs.solve(timeIndexed(system), { time_limit: MILP_SECONDS }));
  const theirs = milp.value.Status === 'Optimal' ? Math.round(milp.value.ObjectiveValue) : undefined;
  const theirPlan = withPlan(day, placementsIn(system, milp.value.Columns as never), []);
  const judged = planAsKept(compiled, theirPlan, 'sketch');
  const holds =
    judged.moments.every(({ verdict }) => verdict === 'holds') &&
    judged.pieces.every(({ misplaced }) => misplaced === undefined) &&
    judged.charge.stated.every((wh) => wh >= Math.min(judged.reserveWh, system.startWh));
  const isBest = musts.atBest === musts.reached && rest.atBest === rest.reached;
  best += isBest ? 1 : 0;
  beaten += holds && theirs !== undefined && theirs > worth ? 1 : 0;
  times.push(milp.ms / took);
  console.log(
    `seed ${seed}, ${day.jobs.length} jobs: ${placed.length} placed, worth ${worth}, proved best ${isBest ? 'yes' : 'no'}; ` +
      `by the programme ${theirs ?? `unknown (${milp.value.Status})`}, whose plan ${holds ? 'holds' : 'does not hold'}; lowest charge within ` +
      `${((100 * ((lowestWh.atBest ?? NaN) - lowestWh.reached)) / system.store.fullWh).toFixed(1)} % of the battery`,
  );
  console.log(
    `  first plan ${first.toFixed(0)} ms, plan ${took.toFixed(0)} ms, bounds ${proof.ms.toFixed(0)} ms; the programme took ${(milp.ms / took).toFixed(1)} times as long as the plan`,
  );
}
console.log(
  `${best} of ${SEEDS.length} plans are proved to be worth as much as any can be; the programme found one that holds and is worth more in ${beaten}.`,
);

function demo(name: string): Rig {
  const read = readRigFile(readFileSync(`demo/${name}.json`, 'utf8'));
  if (!read.ok) throw new Error(`The demo rig ${name} cannot be read`);
  return read.value;
}

/** Jobs of the loads of a rig, the same for the same seed. */
function seededDay(rig: Rig, seed: number, count: number): Day {
  const random = randomNumbers(seed);
  const among = <T>(list: readonly T[]): T => {
    const one = list[Math.floor(random() * list.length)];
    if (one === undefined) throw new Error('Nothing to choose from');
    return one;
  };
  const base = rig.days?.[0];
  if (!base) throw new Error('The demo rig has no day');
  const jobs = Array.from({ length: count }, (_, index): Job => {
    const from = 8 + Math.floor(random() * 10);
    const hours = 2 + Math.floor(random() * 6);
    return {
      id: `job-${index}`,
      name: `Job ${index}`,
      load: among(rig.loads.filter(({ usage }) => usage !== 'by-itself')).id,
      minutes: 10 + 10 * Math.floor(random() * 12),
      from: `${String(from).padStart(2, '0')}:00`,
      until: `${String(Math.min(23, from + hours)).padStart(2, '0')}:00`,
      importance: among(['must', 'should', 'may'] as const),
    };
  });
  const supplies = seed % 2 === 0 ? [] : (base.supplies ?? []).slice(0, 1);
  return { ...base, startPercent: 40 + (seed % 4) * 15, targetPercent: 0, supplies, jobs };
}

function timed<T>(run: () => T): { readonly value: T; readonly ms: number } {
  const began = performance.now();
  const value = run();
  return { value, ms: performance.now() - began };
}
