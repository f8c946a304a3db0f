import { thinned } from './thinned';

describe('a curve of many points', () => {
  it('is thinned to as many as are seen, in order, and loses neither its peak nor its lowest point', () => {
    const points = Array.from({ length: 50_000 }, (_, x) => ({
      x,
      y: x === 31_415 ? 4000 : x === 27_182 ? -9 : x % 90,
    }));
    const seen = thinned(points, 1200);
    expect(seen.length).toBeLessThanOrEqual(1200);
    expect(seen.some(({ y }) => y === 4000)).toBeTrue();
    expect(seen.some(({ y }) => y === -9)).toBeTrue();
    expect(seen.every(({ x }, index) => index === 0 || x >= (seen[index - 1]?.x ?? 0))).toBeTrue();
    expect(thinned(points.slice(0, 100), 1200)).toEqual(points.slice(0, 100));
  });
});
