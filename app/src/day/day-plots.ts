import { formatPercent, type NumberStyle } from '@heliarch/core/units';
import type { Day } from '@heliarch/core/rig';
import { energyWords, SLOT_MINUTES, slotsOf, timeInPlan, whOf, type DayPlan } from '@heliarch/core/day';
import type { BarePlot, PlotAxis, PlotLine, PlotPoint } from '../ui/plot/plot-drawn';

const SUN_PX = 52;
const SHARE_PX = 68;
const CHARGE_PX = 96;
const HEADROOM = 1.08;
/** Of a share beyond this nothing more is to be seen. */
const MOST_SHARE = 1.3;

const along = (day: Day): PlotAxis => ({ label: '', from: 0, to: slotsOf(day) });
const points = (values: readonly number[]): readonly PlotPoint[] => values.map((y, x) => ({ x, y }));

/** What the sun gives, and what of it there is no room for. */
export function sunPlot(style: NumberStyle, day: Day, { solarW, curtailedW }: DayPlan): BarePlot {
  const top = Math.max(1, ...solarW) * HEADROOM;
  const used = solarW.map((watts, slot) => watts - (curtailedW[slot] ?? 0));
  return {
    spoken: `The sun gives ${energyWords(style, whOf(solarW))}, of which ${energyWords(style, whOf(curtailedW))} finds no room.`,
    height: SUN_PX,
    x: along(day),
    y: { label: '', from: 0, to: top },
    lines: [
      { look: 'thrown-away', points: points(solarW) },
      { look: 'sun', points: points(used) },
    ],
  };
}

/** How full the fullest limit is, and at each start. */
export function sharePlot(style: NumberStyle, day: Day, { moments }: DayPlan): BarePlot {
  const running = moments.flatMap(({ from, until, runningShare }) => [
    { x: from, y: Math.min(MOST_SHARE, runningShare) },
    { x: until, y: Math.min(MOST_SHARE, runningShare) },
  ]);
  const posts = moments
    .filter(({ startShare, runningShare }, index) => startShare > runningShare && isNew(moments, index))
    .map(({ from, startShare }): PlotLine => ({
      look: 'line',
      points: [
        { x: from, y: 0 },
        { x: from, y: Math.min(MOST_SHARE, startShare) },
      ],
    }));
  const fullest = Math.max(0, ...moments.map((each) => Math.max(each.runningShare, each.startShare)));
  return {
    spoken: `The fullest limit comes to ${formatPercent(style, fullest)}.`,
    height: SHARE_PX,
    x: along(day),
    y: { label: '', from: 0, to: Math.max(1.1, Math.min(MOST_SHARE, fullest)) },
    lines: [
      { look: 'area', points: running },
      ...posts,
      {
        look: 'line',
        points: [
          { x: 0, y: 1 },
          { x: slotsOf(day), y: 1 },
        ],
      },
    ],
  };
}

/** Whether something runs in a moment that did not run before. */
function isNew(moments: DayPlan['moments'], index: number): boolean {
  const before = new Set(moments[index - 1]?.on.map(({ load }) => load));
  return moments[index]?.on.some(({ load }) => !before.has(load)) ?? false;
}

/** Charge between the worst and the best that is expected, against the reserve. */
export function chargePlot(style: NumberStyle, day: Day, plan: DayPlan): BarePlot {
  const { charge, fullWh, reserveWh, lowest } = plan;
  const shares = (wh: readonly number[]): readonly PlotPoint[] => points(wh.map((each) => each / fullWh));
  const lowestWorst = Math.min(...charge.worst) / fullWh;
  return {
    spoken: `Charge falls to ${formatPercent(style, lowest.wh / fullWh)} at ${timeInPlan(day, lowest.minutes)}, at worst to ${formatPercent(style, lowestWorst)}; the reserve is ${formatPercent(style, reserveWh / fullWh)}.`,
    height: CHARGE_PX,
    x: along(day),
    y: { label: '', from: 0, to: 1 },
    lines: [
      { look: 'line', points: shares(charge.stated) },
      { look: 'band', points: shares(charge.worst) },
      { look: 'edge', points: shares(charge.best) },
      {
        look: 'ceiling',
        points: [
          { x: 0, y: reserveWh / fullWh },
          { x: slotsOf(day), y: reserveWh / fullWh },
        ],
      },
    ],
    labels: [
      {
        x: lowest.minutes / SLOT_MINUTES,
        y: lowest.wh / fullWh,
        words: `${formatPercent(style, lowest.wh / fullWh)} lowest, ${timeInPlan(day, lowest.minutes)}`,
        side: lowest.minutes / SLOT_MINUTES > slotsOf(day) / 2 ? 'left' : 'right',
        isBelow: lowest.wh / fullWh > 0.35,
      },
    ],
  };
}
