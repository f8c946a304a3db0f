import { MS_PER_SECOND, SECONDS_PER_HOUR, SECONDS_PER_MINUTE } from '@heliarch/core/units';

/** How a plot of a test writes moments and numbers. */
export interface PlotWords {
  readonly moment: (atS: number) => string;
  readonly number: (value: number) => string;
}

export const HEIGHT_PX = 230;
/** More points than a screen has columns are not seen. */
export const MOST_POINTS = 1200;
export const MOST_ROWS = 40;
/** A segment of the charge that is moved by less, in percent, is neither drawn twice nor said to count as another. */
export const LEAST_OFFSET = 0.05;

const STEPS_HOURS = [0.25, 0.5, 1, 2, 3, 4, 6, 12, 24, 48] as const;
const LONGEST_STEP_HOURS = 96;
const TICKS = 6;

/** Ticks on round hours of the clock, for an axis in hours from a moment on. */
export function hourTicks(
  fromS: number,
  hours: number,
  moment: PlotWords['moment'],
): { readonly ticks: readonly number[]; readonly tickWords: (value: number) => string } {
  const step = STEPS_HOURS.find((each) => hours / each <= TICKS) ?? LONGEST_STEP_HOURS;
  const offsetS = new Date(fromS * MS_PER_SECOND).getTimezoneOffset() * SECONDS_PER_MINUTE;
  const onTheClock = (fromS - offsetS) / SECONDS_PER_HOUR;
  const first = Math.ceil(onTheClock / step) * step - onTheClock;
  const count = Math.max(0, Math.floor((hours - first) / step) + 1);
  return {
    ticks: Array.from({ length: count }, (_, index) => first + index * step),
    tickWords: (value) => moment(fromS + value * SECONDS_PER_HOUR),
  };
}
