import { SECONDS_PER_HOUR } from '@heliarch/core/units';
import type { RunDown } from '@heliarch/core/logbook';
import type { PlotDrawn, PlotLabel, PlotLine, PlotPoint } from '../ui/plot/plot-drawn';
import { HEIGHT_PX, hourTicks, LEAST_OFFSET, MOST_POINTS, MOST_ROWS, type PlotWords } from './plot-words';
import { thinned } from './thinned';

const STEPS_OF_BAND = 24;
const FULL = 100;
const BEYOND = 1.04;
const WANTED_TOP = 92;
const WANTED_LABEL = 96;
/** How far along its line the prediction is named. */
const PREDICTED_LABEL = 0.6;

type Read = Pick<RunDown, 'predicted' | 'reservePercent'> & {
  readonly charge: NonNullable<RunDown['charge']>;
  readonly byCharge: NonNullable<RunDown['byCharge']>;
};

/** Charge as shown and as joined, the line with its band, the reserve that it runs into, and what was wanted. */
export function runDownPlot(
  found: RunDown,
  wantedAtS: number | undefined,
  nowS: number,
  words: PlotWords,
): PlotDrawn | undefined {
  const { charge, byCharge } = found;
  if (!charge || !byCharge) return undefined;
  const read: Read = { ...found, charge, byCharge };
  const hours = hoursShown(read, wantedAtS, nowS);
  const reached = byCharge.reserveAtS;
  return {
    spoken: `Charge over time by ${charge.shown.length} readings; ${reached ? `the reserve of ${found.reservePercent} % is reached at ${words.moment(reached.stated)}` : 'no end yet'}.`,
    height: HEIGHT_PX,
    x: { label: '', from: 0, to: hours, ...hourTicks(byCharge.fromS, hours, words.moment) },
    y: { label: '%', from: 0, to: FULL },
    lines: linesOf(read, hours, wantedAtS),
    labels: labelsOf(read, wantedAtS, words),
    table: {
      heads: ['Time', 'Shown, %', 'Joined, %'],
      rows: joinedOf(read)
        .slice(0, MOST_ROWS)
        .map(({ x, y }, index) => [
          words.moment(byCharge.fromS + x * SECONDS_PER_HOUR),
          words.number(charge.shown[index]?.y ?? y),
          words.number(y),
        ]),
    },
  };
}

function hoursShown({ byCharge }: Read, wantedAtS: number | undefined, nowS: number): number {
  const { hi = nowS, stated = nowS } = byCharge.reserveAtS ?? {};
  const endS = Math.max(Number.isFinite(hi) ? hi : stated, wantedAtS ?? 0);
  return (BEYOND * (endS - byCharge.fromS)) / SECONDS_PER_HOUR;
}

/** The first is drawn on top; the band fills to the line behind it. */
function linesOf(read: Read, hours: number, wantedAtS: number | undefined): readonly PlotLine[] {
  const { byCharge, charge, reservePercent } = read;
  const { fit } = byCharge;
  const steps = Array.from({ length: STEPS_OF_BAND + 1 }, (_, step) => (hours * step) / STEPS_OF_BAND);
  const band = (sign: number): readonly PlotPoint[] =>
    steps.map((x) => ({ x, y: clamp(lineAt(read, x) + sign * halfOfBand(read, x)) }));
  const joined = joinedOf(read);
  const moved = charge.shown.filter(({ segment }) => Math.abs(fit.offsets.get(segment) ?? 0) > LEAST_OFFSET);
  const [endX, predictedX, wantedX] = endsOf(read, wantedAtS);
  const [first] = joined;
  const line = (look: PlotLine['look'], points: readonly PlotPoint[]): PlotLine => ({ look, points });
  return [
    ...(endX === undefined ? [] : [line('here', [{ x: endX, y: reservePercent }])]),
    line('dots', thinned(joined, MOST_POINTS)),
    line('hollow-dots', thinned(moved, MOST_POINTS)),
    line(
      'line',
      steps.map((x) => ({ x, y: clamp(lineAt(read, x)) })).filter(({ y }) => y >= reservePercent),
    ),
    ...(predictedX === undefined || !first
      ? []
      : [line('light-line', [first, { x: predictedX, y: reservePercent }])]),
    ...(wantedX === undefined
      ? []
      : [
          line('light-line', [
            { x: wantedX, y: 0 },
            { x: wantedX, y: WANTED_TOP },
          ]),
        ]),
    line('ceiling', [
      { x: 0, y: reservePercent },
      { x: hours, y: reservePercent },
    ]),
    line('band', band(1)),
    line('edge', band(-1)),
  ];
}

function labelsOf(read: Read, wantedAtS: number | undefined, { moment }: PlotWords): readonly PlotLabel[] {
  const { byCharge, reservePercent: y } = read;
  const [endX, predictedX, wantedX] = endsOf(read, wantedAtS);
  return [
    ...(endX === undefined
      ? []
      : [
          {
            x: endX,
            y,
            words: moment(byCharge.fromS + endX * SECONDS_PER_HOUR),
            side: 'left' as const,
            isBelow: true,
          },
        ]),
    ...(wantedX === undefined
      ? []
      : [{ x: wantedX, y: WANTED_LABEL, words: `wanted ${moment(wantedAtS ?? 0)}`, side: 'left' as const }]),
    ...predictedLabel(read, endX, predictedX, moment),
  ];
}

/** Along the line that the rig predicts, on the side away from the one that was measured. */
function predictedLabel(
  read: Read,
  endX: number | undefined,
  predictedX: number | undefined,
  moment: PlotWords['moment'],
): readonly PlotLabel[] {
  const [first] = joinedOf(read);
  if (predictedX === undefined || !first) return [];
  const isLater = predictedX >= (endX ?? 0);
  return [
    {
      x: first.x + PREDICTED_LABEL * (predictedX - first.x),
      y: first.y + PREDICTED_LABEL * (read.reservePercent - first.y),
      words: `predicted ${moment(read.byCharge.fromS + predictedX * SECONDS_PER_HOUR)}`,
      side: isLater ? 'right' : 'left',
      isBelow: !isLater,
    },
  ];
}

/** When the reserve is reached by the readings, when by the rig alone, and until when it is wanted: hours along the axis. */
function endsOf(
  { byCharge, predicted }: Read,
  wantedAtS: number | undefined,
): readonly [number | undefined, number | undefined, number | undefined] {
  const along = (atS: number | undefined): number | undefined =>
    atS === undefined ? undefined : (atS - byCharge.fromS) / SECONDS_PER_HOUR;
  return [along(byCharge.reserveAtS?.stated), along(predicted?.reserveAtS), along(wantedAtS)];
}

const joinedOf = ({ charge, byCharge }: Read): readonly PlotPoint[] =>
  charge.shown.map(({ x, y, segment }) => ({ x, y: y - (byCharge.fit.offsets.get(segment) ?? 0) }));

const lineAt = ({ byCharge: { fit } }: Read, x: number): number => fit.meanY + fit.slope * (x - fit.meanX);

/** Half of the band at x: the interval of the slope is t times its standard error, and the same t holds here. */
function halfOfBand({ byCharge: { fit, perHour } }: Read, x: number): number {
  const ofSlope = (perHour.hi - perHour.lo) / 2;
  return ofSlope * Math.sqrt(fit.sumXX / fit.weight + (x - fit.meanX) ** 2);
}

const clamp = (value: number): number => Math.min(FULL, Math.max(0, value));
