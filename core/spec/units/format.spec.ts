import { formatDuration } from '../../src/units/format-time.js';
import { formatAmount, formatNumber, formatPercent, formatSeconds } from '../../src/units/format.js';
import { parseNumber } from '../../src/units/parse.js';

describe('a figure as a person reads it', () => {
  it('has thousands separators, and amps below a hundred one decimal', () => {
    expect(formatAmount('point', 4335.6, 'VA')).toBe('4,336 VA');
    expect(formatAmount('point', 12.34, 'A')).toBe('12.3 A');
    expect(formatAmount('point', 183.5, 'A')).toBe('184 A');
    expect(formatNumber('point', -0.2, 0)).toBe('0');
  });

  it('never claims more than is known: at least rounds down, at most rounds up', () => {
    expect(formatAmount('point', 181.9, 'VA', 'at-least')).toBe('181 VA');
    expect(formatAmount('point', 633.1, 'VA', 'at-most')).toBe('634 VA');
    expect(formatAmount('point', 12.39, 'A', 'at-least')).toBe('12.3 A');
    // a binary fraction just below a whole number is that number
    expect(formatAmount('point', 0.1 * 3 * 10, 'W', 'at-least')).toBe('3 W');
    expect(formatAmount('point', 2 + 1e-12, 'W', 'at-most')).toBe('2 W');
  });

  it('shows a share above the limit as above it', () => {
    expect(formatPercent('point', 1.001)).toBe('101 %');
    expect(formatPercent('point', 0.996)).toBe('100 %');
    expect(formatPercent('point', 0.934)).toBe('93 %');
  });

  it('gives seconds and durations in the digits that matter', () => {
    expect([0.25, 0.6, 1.8, 12].map((seconds) => formatSeconds('point', seconds))).toEqual([
      '0.25 s',
      '0.6 s',
      '1.8 s',
      '12 s',
    ]);
    expect([59, 90, 3600, 12_400, 172_800].map(formatDuration)).toEqual([
      '0 min',
      '1 min',
      '1 h',
      '3 h 26 min',
      '2 days',
    ]);
  });
});

describe('a number as a person types it', () => {
  it('may have separators, a decimal point or a decimal comma', () => {
    for (const [typed, value] of [
      ['1,050', 1050],
      ['1 050', 1050],
      ['12,345.6', 12345.6],
      ['0,6', 0.6],
      ['1.5', 1.5],
      [' 42 ', 42],
      ['-3', -3],
      ['.5', 0.5],
    ] as const) {
      expect(parseNumber('point', typed)).withContext(typed).toBe(value);
    }
  });

  it('is refused rather than guessed at', () => {
    for (const typed of ['', '  ', '14x', '1,2,3', '1e999', 'NaN', '12 W', '--1']) {
      expect(parseNumber('point', typed)).withContext(typed).toBeUndefined();
    }
  });
});
