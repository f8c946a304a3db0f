import { countdown } from './countdown';

describe('a clock that counts down', () => {
  it('is rounded up, so that it never ends before it has', () => {
    expect([232, 59.2, 0.1, 0, -5].map(countdown)).toEqual(['3:52', '1:00', '0:01', '0:00', '0:00']);
    expect(countdown(3670)).toBe('1:01:10');
  });
});
