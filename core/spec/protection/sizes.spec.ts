import { plannedAmpsPerSite } from '../../src/supply/park-demand.js';
import { standardSizeFor } from '../../src/protection/standard-size.js';
import { DEMAND_FACTORS } from '../../src/reference/nec-551-parks.js';
import { workedExample } from '../worked-example.js';

describe('sizes', () => {
  it('of breakers and fuses are the next above what runs for hours and a quarter (worked examples 5.9 and 5.10; NEC 240.6, from memory)', () => {
    const ac = workedExample('5.9');
    const [forHours, besides] = ac.given;
    ac.comesTo(standardSizeFor(forHours, besides)!);
    const dc = workedExample('5.10');
    const [watts, volts] = dc.given;
    dc.comesTo(standardSizeFor(watts / volts)!);
    expect(standardSizeFor(400)).toBeUndefined();
  });

  it('of a park are planned for far less than every site may draw (worked example 7.5; NEC 551.73, from memory)', () => {
    const { given, comesTo } = workedExample('7.5');
    comesTo(plannedAmpsPerSite(given[0], given[1] as 50));
    expect(plannedAmpsPerSite(1, 30)).toBe(30);
    const shares = DEMAND_FACTORS.map(({ share }) => share);
    expect(shares).toEqual([...shares].sort((a, b) => b - a));
  });
});
