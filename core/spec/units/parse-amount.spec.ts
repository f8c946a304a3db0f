import { parseAmount } from '../../src/units/parse-amount.js';

describe('an amount with its unit', () => {
  it('is read with or without a space and a prefix, in either number style', () => {
    expect(parseAmount('point', '35 A')).toEqual({ value: 35, unit: 'A' });
    expect(parseAmount('point', '1.5 kW')).toEqual({ value: 1500, unit: 'W' });
    expect(parseAmount('point', '2kva')).toEqual({ value: 2000, unit: 'VA' });
    expect(parseAmount('point', '250 mA')).toEqual({ value: 0.25, unit: 'A' });
    expect(parseAmount('comma', '1.200,5 W')).toEqual({ value: 1200.5, unit: 'W' });
    expect(parseAmount('point', '90 min')).toEqual({ value: 90, unit: 'min' });
  });

  it('is none without a number, or with a unit that is not known', () => {
    for (const text of ['35 apples', 'A', '', '12', 'k 5 W', '5 kkW', '5 MW'])
      expect(parseAmount('point', text)).withContext(text).toBeUndefined();
  });
});
