import { plannedAmpsPerSite } from '../../src/supply/park-demand.js';
import { standardSizeFor } from '../../src/protection/standard-size.js';
import { DEMAND_FACTORS } from '../../src/reference/nec-551-parks.js';

describe('sizes', () => {
  it('18 A for hours and 5 A make 27.5 A: a 30 A breaker; 184 A of DC a 250 A fuse (worked examples, methods.md 5; NEC 240.6, from memory)', () => {
    expect(standardSizeFor(18, 5)).toBe(30);
    expect(standardSizeFor(2202 / 12)).toBe(250);
    expect(standardSizeFor(400)).toBeUndefined();
  });

  it('36 sites of 50 A are planned at 20.5 A per site and leg (worked example, methods.md 7; NEC 551.73, from memory)', () => {
    expect(plannedAmpsPerSite(36, 50)).toBeCloseTo(20.5, 10);
    expect(plannedAmpsPerSite(1, 30)).toBe(30);
    const shares = DEMAND_FACTORS.map(({ share }) => share);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
  });
});
