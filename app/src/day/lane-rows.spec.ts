import type { Day, Job } from '@heliarch/core/rig';
import { hoursOf, jobTerms, nowIn } from './lane-rows';

const job = (asked: Partial<Job>): Job => ({ id: 'glue', name: 'Glue', load: 'pot', ...asked });
const day: Day = {
  id: 'day',
  name: 'Day',
  date: '2026-06-13',
  begins: '08:00',
  jobs: [job({ id: 'saw', name: 'Saw the ribs' })],
};

describe('a day as it is drawn', () => {
  it('has now where it is within the plan, and nowhere else', () => {
    expect(nowIn(day, new Date(2026, 5, 13, 20, 0))).toBe(50);
    expect(nowIn(day, new Date(2026, 5, 14, 2, 0))).toBe(75);
    expect(nowIn(day, new Date(2026, 5, 13, 7, 59))).toBeUndefined();
    expect(nowIn(day, new Date(2026, 5, 14, 8, 0))).toBeUndefined();
  });

  it('names every second hour, over several days every twelfth', () => {
    expect(hoursOf(day).map(({ time }) => time)).toContain('22:00');
    expect(hoursOf(day).length).toBe(12);
    expect(hoursOf({ ...day, days: 3 }).map(({ time }) => time)).toEqual([
      '08:00',
      '20:00',
      '08:00',
      '20:00',
      '08:00',
      '20:00',
    ]);
  });

  it('says what a job asks for', () => {
    expect(jobTerms(day, job({ minutes: 120, until: '19:00', after: 'saw' }))).toBe(
      'should, 120 min, by 19:00, after saw the ribs',
    );
    expect(jobTerms(day, job({ importance: 'must', from: '09:00', until: '10:00' }))).toBe(
      'must, 09:00 to 10:00',
    );
  });
});
