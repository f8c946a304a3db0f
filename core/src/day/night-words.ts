import { momentInPlan, timeInPlan } from './clock.js';
import type { InverterOff, Night, NightTaker } from './night.js';
import type { SunUse } from './plan/sun-to-spare.js';
import { formatPercent } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import { inSentence } from '../rig/names-in-sentences.js';
import type { Day, Rig } from '../rig-file/schema.js';
import { energyWords } from './day-words.js';

/** A night in words. */
export interface NightWords {
  /** 'Lasts until 07:00'. */
  readonly headline: string;
  /** The charge in the morning. */
  readonly morning: string;
  /** What may be used before the reserve is reached. */
  readonly breakfast: string;
  readonly takers: readonly NightTakerWords[];
  /** What it is with the inverter off; undefined where that is no choice. */
  readonly inverterOff: string | undefined;
}

interface NightTakerWords {
  readonly name: string;
  readonly saves: string;
  /** The charge in the morning without it. */
  readonly leaves: string;
}

/**
 * Whether a night lasts, what takes most, and what is left in the morning.
 *
 * @param fullWh What the battery holds from full to empty, Wh.
 */
export function nightWords(style: NumberStyle, day: Day, night: Night, fullWh: number): NightWords {
  const percent = (wh: number): string => formatPercent(style, Math.max(0, wh) / fullWh);
  const { endsWh, leftWh, takers, inverterOff } = night;
  return {
    headline: headlineOf(day, night),
    morning: `${percent(endsWh.stated)} then, between ${percent(endsWh.lo)} and ${percent(endsWh.hi)}`,
    breakfast:
      leftWh.stated > 0
        ? `${energyWords(style, leftWh.stated)} above the reserve, at worst ${energyWords(style, leftWh.lo)}`
        : 'nothing above the reserve',
    takers: takers.map((taker) => takerWords(style, day, taker, endsWh.stated, percent)),
    inverterOff: inverterOff && offWords(style, day, inverterOff, endsWh.stated, percent),
  };
}

function headlineOf(day: Day, { verdict, until, reserveAt, reserveAtWorst }: Night): string {
  if (verdict === 'lasts') return `Lasts until ${timeInPlan(day, until)}`;
  const at = reserveAt ?? reserveAtWorst ?? until;
  return verdict === 'runs-out'
    ? `Runs out: the reserve is reached at ${timeInPlan(day, at)}`
    : `May run out: at worst the reserve is reached at ${timeInPlan(day, at)}`;
}

function takerWords(
  style: NumberStyle,
  day: Day,
  { job, savesWh }: NightTaker,
  endsWh: number,
  percent: (wh: number) => string,
): NightTakerWords {
  return { name: nameOf(day, job), saves: energyWords(style, savesWh), leaves: percent(endsWh + savesWh) };
}

function offWords(
  style: NumberStyle,
  day: Day,
  { endsWh, off }: InverterOff,
  withInverter: number,
  percent: (wh: number) => string,
): string {
  const saves = `${percent(endsWh)} in the morning: ${energyWords(style, Math.max(0, endsWh - withInverter))} more`;
  if (off.length === 0) return `${saves}, and nothing that is planned goes off.`;
  return `${saves}. Off with it: ${off.map((job) => inSentence(nameOf(day, job))).join(', ')}.`;
}

/**
 * What to switch on while sun is thrown away.
 *
 * @example
 * // 'Water heater from 13:05 to 14:05, unplugged meanwhile: 0.7 kWh of it'
 */
export function sunUseWords(style: NumberStyle, rig: Rig, day: Day, use: SunUse): string {
  const when = `from ${momentInPlan(day, use.from)} to ${momentInPlan(day, use.until)}`;
  const saved = `${energyWords(style, use.wh)} of it`;
  const name = rig.loads.find(({ id }) => id === use.load)?.name;
  if (name === undefined) return `Unplug ${when}: what is planned then uses ${saved}`;
  return `${name} ${when}${use.unplugged ? ', unplugged meanwhile' : ''}: ${saved}`;
}

const nameOf = ({ jobs }: Day, id: string): string => jobs.find((job) => job.id === id)?.name ?? id;
