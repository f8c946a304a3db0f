import type { Limit } from '../../src/check/limits/limit.js';
import { whenItTrips } from '../../src/check/when-it-trips.js';

/** A breaker of 20 A under a steady current, A. */
function under(amps: number): Limit {
  return {
    worst: { lo: amps, stated: amps, hi: amps },
    unit: 'A',
    element: { kind: 'branch-breaker', protection: { amps: 20, curve: 'ul-489' } },
  } as unknown as Limit;
}

describe('how soon a limit that trips does so', () => {
  it('of a breaker is by its curve: minutes at 140 and 200 %, at once at twenty times, never at 100 % (UL 489 calibration, from memory)', () => {
    for (const amps of [28, 40]) expect(whenItTrips(under(amps)).pace).toBe('minutes');
    expect(whenItTrips(under(20)).pace).toBe('unknown');
    expect(whenItTrips(under(400)).pace).toBe('at-once');
  });
});
