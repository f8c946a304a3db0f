import type { DayPlan, Moment, PlannedPiece } from '@heliarch/core/day';
import { troublesOf } from './troubles';

const piece = (job: string, begin: number, pinned?: 'yes'): PlannedPiece => ({
  job,
  begin,
  minutes: 60,
  later: 0,
  earlier: 0,
  ...(pinned && { pinned }),
});
const moment = (from: number, until: number, verdict: Moment['verdict']) =>
  ({ from: from / 5, until: until / 5, verdict }) as Moment;
const troubled = (pieces: readonly PlannedPiece[], ...moments: readonly Moment[]) =>
  [...troublesOf({ pieces, moments } as unknown as DayPlan)].map(([{ job }, verdict]) => [job, verdict]);

describe('what does not hold of a plan', () => {
  it('is what the user put there, else what began last, with the worst that comes of it', () => {
    const fridge = piece('fridge', 0);
    const saw = piece('saw', 30);
    const moments = [moment(0, 30, 'holds'), moment(30, 45, 'tight'), moment(45, 60, 'trips')];
    expect(troubled([fridge, saw], ...moments)).toEqual([['saw', 'trips']]);
    expect(troubled([piece('fridge', 0, 'yes'), saw], ...moments)).toEqual([['fridge', 'trips']]);
    expect(troubled([fridge, saw], moment(0, 90, 'holds'))).toEqual([]);
  });
});
