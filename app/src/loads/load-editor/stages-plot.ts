import { formatAmount, formatNumber, MINUTES_PER_HOUR, type NumberStyle } from '@heliarch/core/units';
import type { Load, Rig } from '@heliarch/core/rig';
import { wattsInState } from '@heliarch/core/check';
import type { PlotDrawn } from '../../ui/plot/plot-drawn';

const HEIGHT_PX = 120;
const WH_PER_KWH = 1000;

interface Stage {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly watts: number;
}

/** A programme over its hours: what it draws in each stage. */
export function stagesPlot(style: NumberStyle, rig: Rig, load: Load): PlotDrawn {
  const stages = stagesOf(rig, load);
  const minutes = stages.at(-1)?.to ?? 0;
  const wattHours = stages.reduce(
    (sum, { from, to, watts }) => sum + (watts * (to - from)) / MINUTES_PER_HOUR,
    0,
  );
  const most = Math.max(0, ...stages.map(({ watts }) => watts));
  const hours = (value: number): string => formatNumber(style, value / MINUTES_PER_HOUR, 1);
  return {
    spoken: `${hours(minutes)} h in ${stages.length} stages, at most ${formatAmount(style, most, 'W')}, ${formatNumber(style, wattHours / WH_PER_KWH, 2)} kWh.`,
    height: HEIGHT_PX,
    x: { label: 'h', from: 0, to: minutes / MINUTES_PER_HOUR },
    y: { label: 'W', from: 0, tickWords: (value) => formatNumber(style, value, 0) },
    lines: [
      {
        look: 'area',
        points: stages.flatMap(({ from, to, watts }) =>
          [from, to].map((at) => ({ x: at / MINUTES_PER_HOUR, y: watts })),
        ),
      },
    ],
    table: {
      heads: ['Stage', 'From, h', 'To, h', 'W'],
      rows: stages.map(({ name, from, to, watts }) => [
        name,
        hours(from),
        hours(to),
        formatNumber(style, watts, 0),
      ]),
    },
  };
}

function stagesOf(rig: Rig, load: Load): readonly Stage[] {
  return (load.programme?.stages ?? []).reduce<readonly Stage[]>((before, { state, minutes }) => {
    const from = before.at(-1)?.to ?? 0;
    const name = load.states?.find(({ id }) => id === state)?.name ?? '';
    return [...before, { name, from, to: from + minutes, watts: wattsInState(rig, load, state) }];
  }, []);
}
