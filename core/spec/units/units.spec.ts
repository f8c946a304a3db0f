import { formatNumber } from '../../src/units/format.js';
import { parseNumber } from '../../src/units/parse.js';
import { shownUnit } from '../../src/units/units.js';

describe('units as a person reads them', () => {
  it('convert by the definitions (SI brochure and NIST SP 811, from memory) and back', () => {
    expect(shownUnit('m', 'us').show(3.048)).toBeCloseTo(10, 9);
    expect(shownUnit('°C', 'us').show(40)).toBeCloseTo(104, 9);
    expect(shownUnit('°C', 'us').show(-40)).toBeCloseTo(-40, 9);
    expect(shownUnit('W of heat', 'us').show(1000)).toBeCloseTo(3412.14, 2);
    for (const unit of ['m', '°C', 'W of heat', 'heat per W', 'of 1', 'ohm', 'V'])
      for (const system of ['us', 'metric'] as const) {
        const { show, read } = shownUnit(unit, system);
        expect(read(show(12.5))).toBeCloseTo(12.5, 9);
      }
    expect(shownUnit('m', 'metric').unit).toBe('m');
  });
});

describe('numbers with a decimal comma', () => {
  it('are written and read alike', () => {
    expect(formatNumber('comma', 1234.5, 1)).toBe('1.234,5');
    expect(parseNumber('comma', '1.234,5')).toBe(1234.5);
    expect(parseNumber('comma', '1.234')).toBe(1234);
    expect(parseNumber('comma', '0,6')).toBe(0.6);
    expect(parseNumber('comma', '12.5')).toBe(12.5);
    for (const value of [0.25, 3, 999.9, 12345.6])
      expect(parseNumber('comma', formatNumber('comma', value, 2))).toBe(value);
  });
});
