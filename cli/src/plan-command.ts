import { compile } from '@heliarch/core/check';
import type { Day, Rig } from '@heliarch/core/rig';
import type { NumberStyle } from '@heliarch/core/units';
import { planOfDay, reviewOfPlan } from '@heliarch/core/compute';
import {
  assumptionWords,
  cutWords,
  energyWords,
  ENERGY_WORDS,
  planHeadline,
  SLOT_MINUTES,
  momentInPlan,
  nightWords,
  sunUseWords,
  timeInPlan,
  unplacedWords,
  withPlan,
  type DayPlan,
  type PlanReview,
} from '@heliarch/core/day';
import { BadInput } from './exit-codes.ts';

export interface PlanOptions {
  readonly day?: string;
  readonly rounds?: string;
  readonly json?: boolean;
}

/** When each job of a day runs. */
export function planCommand(
  style: NumberStyle,
  rig: Rig,
  options: PlanOptions,
  tell: (line: string) => void,
): string {
  const day = dayOf(rig, options.day);
  const rounds = roundsOf(options.rounds);
  const compiled = compile(rig);
  const plan = planOfDay(
    compiled,
    day,
    rounds === undefined ? {} : { rounds },
    () => undefined,
    (done, of) => tell(`${done} of ${of}\n`),
  );
  const review = reviewOfPlan(compiled, withPlan(day, plan.pieces, plan.supplyRuns));
  return options.json ? asJson(style, rig, day, plan, review) : asLines(style, rig, day, plan, review);
}

function dayOf({ days = [] }: Rig, id: string | undefined): Day {
  const day = id === undefined ? days[0] : days.find((each) => each.id === id);
  if (day) return day;
  if (days.length === 0) throw new BadInput('The file has no day to plan.');
  throw new BadInput(
    `--day: "${id ?? ''}" is not in this file; use one of ${days.map((each) => each.id).join(', ')}`,
  );
}

function roundsOf(text: string | undefined): number | undefined {
  if (text === undefined) return undefined;
  const rounds = Number(text);
  if (Number.isInteger(rounds) && rounds >= 0) return rounds;
  throw new BadInput(`--rounds: "${text}" must be a whole number, 0 or more`);
}

function asLines(style: NumberStyle, rig: Rig, day: Day, plan: DayPlan, review: PlanReview): string {
  const placed = plan.pieces.map(({ job, begin, minutes, later }) => {
    const name = day.jobs.find(({ id }) => id === job)?.name ?? job;
    const slack = later > 0 ? `, up to ${later} min later` : '';
    return `${momentInPlan(day, begin)} to ${timeInPlan(day, begin + minutes)}  ${name}${slack}`;
  });
  const runs = plan.supplyRuns.map(({ supply, begin, minutes }) => {
    const name = rig.supplies.find(({ id }) => id === supply)?.name ?? supply;
    return `${momentInPlan(day, begin)} to ${timeInPlan(day, begin + minutes)}  ${name} on`;
  });
  const missing = plan.unplaced.flatMap((each) => {
    const { headline, reasons, changes } = unplacedWords(style, rig, day, each);
    return [
      headline,
      ...reasons.map((reason) => `  ${reason}`),
      ...changes.map((change) => `  It would have one: ${change}.`),
    ];
  });
  const sun = `${energyWords(style, plan.directSunWh)} of sun used as it comes.`;
  const head = `${planHeadline(style, day, plan)} ${ENERGY_WORDS[plan.energy]}. ${sun}`;
  const nights = review.nights.map((night) => {
    const { headline, morning, breakfast } = nightWords(style, day, night, plan.fullWh);
    return `Night from ${momentInPlan(day, night.from)}: ${headline}; ${morning}. Left for breakfast: ${breakfast}.`;
  });
  const costs = review.costs.map(({ supply, wh, cost }) => {
    const name = rig.supplies.find(({ id }) => id === supply)?.name ?? supply;
    const price = cost === undefined ? '' : `, ${cost.toFixed(2)}${rig.currency ? ` ${rig.currency}` : ''}`;
    return `${name}: ${energyWords(style, wh)}${price}.`;
  });
  const spare = review.sunUses.map((use) => `Sun to spare. ${sunUseWords(style, rig, day, use)}.`);
  const more = [...nights, ...costs, ...spare];
  return [
    head,
    ...assumptionWords(rig, day),
    ...cutWords(day, plan),
    ...placed,
    ...runs,
    ...missing,
    ...more,
    '',
  ].join('\n');
}

function asJson(style: NumberStyle, rig: Rig, day: Day, plan: DayPlan, review: PlanReview): string {
  const { pieces, supplyRuns, placed, of, energy, lowest, fullWh, reserveWh, charge } = plan;
  const report = {
    format: 'heliarch-plan',
    version: 1,
    day: day.id,
    placed,
    of,
    energy,
    fullWh,
    reserveWh,
    lowest,
    generatorMinutes: plan.generatorMinutes,
    directSunWh: plan.directSunWh,
    survivesGreyHour: plan.survivesGreyHour,
    endsAsAsked: plan.endsAsAsked,
    whOfJobs: plan.whOfJobs,
    cutMinutes: plan.cutMinutes,
    pieces: pieces.map((piece) => ({ ...piece, at: momentInPlan(day, piece.begin) })),
    supplyRuns,
    unplaced: plan.unplaced.map((each) => {
      const { headline, reasons, changes: inWords } = unplacedWords(style, rig, day, each);
      const { job, answer, changes } = each;
      return { job, answer, headline, reasons, changes, inWords };
    }),
    moments: plan.moments.map(({ from, until, supply, on, verdict, decider, runningShare, startShare }) => ({
      from: from * SLOT_MINUTES,
      until: until * SLOT_MINUTES,
      supply: supply ?? null,
      on,
      verdict,
      decidedBy: decider?.id ?? null,
      runningShare,
      startShare,
    })),
    chargeWh: charge,
    ...reviewed(review),
  };
  return `${JSON.stringify(report, null, 2)}\n`;
}

/** The rest that is asked of a plan; a limit by its id. */
function reviewed({ nights, costs, hours, sunUses, surprise }: PlanReview) {
  return {
    nights,
    costs,
    hoursOfLoads: hours,
    sunUses,
    surprise: {
      ...surprise,
      harm: surprise.harm.map(({ limit, ...harm }) => ({ ...harm, decidedBy: limit.id })),
    },
  };
}
