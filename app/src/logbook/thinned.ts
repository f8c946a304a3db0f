import type { PlotPoint } from '../ui/plot/plot-drawn';

/**
 * A curve of at most so many points that looks the same: of each stretch, its lowest and its highest. No peak is lost.
 */
export function thinned(points: readonly PlotPoint[], most: number): readonly PlotPoint[] {
  if (points.length <= most) return points;
  const stretch = Math.ceil((2 * points.length) / most);
  const kept: PlotPoint[] = [];
  for (let from = 0; from < points.length; from += stretch) {
    const part = points.slice(from, from + stretch);
    const lowest = part.reduce((least, point) => (point.y < least.y ? point : least));
    const highest = part.reduce((greatest, point) => (point.y > greatest.y ? point : greatest));
    kept.push(...(lowest.x <= highest.x ? [lowest, highest] : [highest, lowest]));
  }
  return kept;
}
