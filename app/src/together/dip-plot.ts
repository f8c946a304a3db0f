import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CheckResult } from '@heliarch/core/check';
import { formatNumber, type NumberStyle, PERCENT } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import { DIP_STEPS, dipsOf } from '@heliarch/core/explain';
import { Plot } from '../ui/plot/plot';
import type { PlotDrawn } from '../ui/plot/plot-drawn';
import { UnitChoice } from '../parts/unit-choice';

type Dip = ReturnType<typeof dipsOf>[number];

const HEIGHT_PX = 190;
const HALF_WIDTH = 0.28;
/** Room on the right for what the lines mean, in columns. */
const ROOM = 1.6;
const ROOM_ABOVE = 1.2;

/** How far the lights dip at each start of the set, against what people notice. */
@Component({
  selector: 'heli-dip-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Plot],
  template: `<heli-plot [drawn]="drawn()" />`,
})
export class DipPlot {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly result = input.required<CheckResult>();
  protected readonly drawn = computed(() => dipPlot(this.numberStyle, this.rig(), dipsOf(this.result())));
}

function dipPlot(style: NumberStyle, rig: Rig, dips: readonly Dip[]): PlotDrawn {
  const percent = (share: number): string => `${formatNumber(style, share * PERCENT, 1)} %`;
  const names = dips.map(({ loadId }) => rig.loads.find(({ id }) => id === loadId)?.name ?? '');
  const most = Math.max(...dips.map(({ dip }) => dip.hi), DIP_STEPS[0].below) * ROOM_ABOVE;
  const steps = DIP_STEPS.filter(({ below }) => below < most);
  const right = dips.length + ROOM;
  return {
    spoken: dips.map(({ dip }, index) => `${names[index]} ${percent(dip.stated)}`).join(', '),
    height: HEIGHT_PX,
    x: {
      label: '',
      from: 0,
      to: right,
      ticks: dips.map((_, index) => index + 0.5),
      tickWords: (value) => names[Math.floor(value)] ?? '',
    },
    y: { label: '', from: 0, to: most, tickWords: (value) => percent(value) },
    lines: [
      ...dips.flatMap(({ dip }, index) => columnOf(index + 0.5, dip)),
      ...steps.map(({ below }) => ({
        look: 'ceiling' as const,
        points: [
          { x: 0, y: below },
          { x: right, y: below },
        ],
      })),
    ],
    labels: steps.map(({ below }, index) => ({
      x: right,
      y: below,
      words: DIP_STEPS[index + 1]?.says ?? '',
      side: 'left',
    })),
    table: {
      heads: ['Start', 'Dip', 'Between', 'To be seen'],
      rows: dips.map(({ dip, says }, index) => [
        names[index] ?? '',
        percent(dip.stated),
        `${percent(dip.lo)} and ${percent(dip.hi)}`,
        says,
      ]),
    },
  };
}

/** A start and how far it may reach. */
function columnOf(middle: number, dip: Dip['dip']): PlotDrawn['lines'] {
  const [left, right] = [middle - HALF_WIDTH, middle + HALF_WIDTH];
  return [
    {
      look: 'start',
      points: [
        { x: left, y: 0 },
        { x: left, y: dip.stated },
        { x: right, y: dip.stated },
        { x: right, y: 0 },
      ],
    },
    {
      look: 'whisker-up',
      points: [
        { x: middle, y: dip.stated },
        { x: middle, y: dip.hi },
      ],
    },
  ];
}
