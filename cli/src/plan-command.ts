import { compile, type Day, type NumberStyle, type Rig } from '@heliarch/core';
import { planOfDay } from '@heliarch/core/planning';
import {
  assumptionWords,
  energyWords,
  ENERGY_WORDS,
  planHeadline,
  SLOT_MINUTES,
  momentInPlan,
  timeInPlan,
  unplacedWords,
  type DayPlan,
} from '@heliarch/core/scheduling';
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
  const plan = planOfDay(
    compile(rig),
    day,
    rounds === undefined ? {} : { rounds },
    () => undefined,
    (done, of) => tell(`${done} of ${of}\n`),
  );
  return options.json ? asJson(style, rig, day, plan) : asLines(style, rig, day, plan);
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

function asLines(style: NumberStyle, rig: Rig, day: Day, plan: DayPlan): string {
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
  return [head, ...assumptionWords(rig, day), ...placed, ...runs, ...missing, ''].join('\n');
}

function asJson(style: NumberStyle, rig: Rig, day: Day, plan: DayPlan): string {
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
  };
  return `${JSON.stringify(report, null, 2)}\n`;
}
