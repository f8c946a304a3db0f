import { chiSquare } from './student-t.js';

/** A point that a line is fitted to. */
export interface FitPoint {
  readonly x: number;
  readonly y: number;
  /** Each segment has a height of its own: a meter that has lost its count, or that was set anew. */
  readonly segment: number;
  /** Expected standard deviation of y beside the others; 1 where all are alike. */
  readonly sigma?: number | undefined;
}

/** A line with one slope through all segments, at the height of the one that counts. */
export interface LineFit {
  readonly slope: number;
  /** Weighted means of the points of the segment that counts: the line passes there. */
  readonly meanX: number;
  readonly meanY: number;
  /** How much each segment stands above the one that counts. */
  readonly offsets: ReadonlyMap<number, number>;
  /** Of each segment, its weights summed and the weighted mean of its x. */
  readonly segments: ReadonlyMap<number, Pick<Segment, 'weight' | 'meanX'>>;
  /** Standard deviation of a point of sigma 1; NaN where no point is left to tell it. */
  readonly scatter: number;
  readonly degreesOfFreedom: number;
  /** Weights of the segment that counts, summed. */
  readonly weight: number;
  /** Squares of x about the mean of its segment, weighted and summed. */
  readonly sumXX: number;
}

/** What is known of the scatter before any point is, worth so many points. */
export interface KnownScatter {
  readonly scatter: number;
  readonly points: number;
}

interface Segment {
  readonly weight: number;
  readonly meanX: number;
  readonly meanY: number;
}

/**
 * Weighted least squares with one slope and a height for each segment (analysis of covariance).
 *
 * @param counts The segment whose height is the true one.
 * @param known Joins the scatter of the residuals as the conjugate prior of a normal variance.
 * @returns Undefined where no segment has two different x, or none is the one that counts.
 * Source: Draper and Smith, Applied Regression Analysis, 1 and 14 (dummy variables); Gelman and others, Bayesian Data
 *   Analysis, 14 (prior). Checked by NIST StRD "Norris" and by a statistics library.
 */
export function fitLine(
  points: readonly FitPoint[],
  counts: number,
  known: KnownScatter = { scatter: 0, points: 0 },
): LineFit | undefined {
  const segments = segmentsOf(points);
  const own = segments.get(counts);
  const centred = points.map((point) => centredIn(segments, point));
  // Centring first keeps the sums small.
  const sumXX = total(centred, ({ weight, x }) => weight * x * x);
  if (!own || !(sumXX > 0)) return undefined;
  const slope = total(centred, ({ weight, x, y }) => weight * x * y) / sumXX;
  const squares = total(centred, ({ weight, x, y }) => weight * (y - slope * x) ** 2);
  const free = points.length - segments.size - 1;
  const knownPoints = isContradicted(known, squares, free) ? 0 : known.points;
  const degreesOfFreedom = knownPoints + free;
  return {
    slope,
    meanX: own.meanX,
    meanY: own.meanY,
    offsets: new Map(
      [...segments].map(([id, { meanX, meanY }]) => [id, meanY - own.meanY - slope * (meanX - own.meanX)]),
    ),
    segments,
    scatter: Math.sqrt((knownPoints * known.scatter ** 2 + squares) / degreesOfFreedom),
    degreesOfFreedom,
    weight: own.weight,
    sumXX,
  };
}

/** y of the line at x. */
export function lineAt({ slope, meanX, meanY }: LineFit, x: number): number {
  return meanY + slope * (x - meanX);
}

/** Standard error of the line at x. */
export function standardErrorAt({ scatter, weight, meanX, sumXX }: LineFit, x: number): number {
  return scatter * Math.sqrt(1 / weight + (x - meanX) ** 2 / sumXX);
}

/** Standard error of the slope. */
export function standardErrorOfSlope({ scatter, sumXX }: LineFit): number {
  return scatter / Math.sqrt(sumXX);
}

/** The residuals are larger than what was known allows in 39 of 40 cases: then they alone count. */
function isContradicted({ scatter, points }: KnownScatter, squares: number, free: number): boolean {
  return points > 0 && free > 0 && squares > chiSquare(free, CONTRADICTED_ABOVE) * scatter ** 2;
}

const CONTRADICTED_ABOVE = 0.975;

function segmentsOf(points: readonly FitPoint[]): ReadonlyMap<number, Segment> {
  const ids = new Set(points.map(({ segment }) => segment));
  return new Map(
    [...ids].map((id) => {
      const own = points.filter(({ segment }) => segment === id);
      const weight = total(own, weightOf);
      return [
        id,
        {
          weight,
          meanX: total(own, (point) => weightOf(point) * point.x) / weight,
          meanY: total(own, (point) => weightOf(point) * point.y) / weight,
        },
      ];
    }),
  );
}

function centredIn(segments: ReadonlyMap<number, Segment>, point: FitPoint) {
  const { meanX = 0, meanY = 0 } = segments.get(point.segment) ?? {};
  return { weight: weightOf(point), x: point.x - meanX, y: point.y - meanY };
}

const weightOf = ({ sigma = 1 }: FitPoint): number => 1 / (sigma * sigma);

const total = <T>(list: readonly T[], of: (each: T) => number): number =>
  list.reduce((sum, each) => sum + of(each), 0);
