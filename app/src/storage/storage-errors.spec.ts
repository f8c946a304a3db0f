import { Dexie } from 'dexie';
import { whyNotKept } from './storage-errors';

describe('why the browser keeps nothing', () => {
  it('is said in words, also where the database wraps what the browser said', () => {
    expect(whyNotKept(new DOMException('', 'QuotaExceededError'))).toContain('storage is full');
    const wrapped = new Dexie.OpenFailedError(new Error('inner'));
    expect(whyNotKept(wrapped)).toContain('cannot be opened');
    const full = Object.assign(new Error('aborted'), {
      name: 'AbortError',
      inner: new DOMException('', 'QuotaExceededError'),
    });
    expect(whyNotKept(full)).toContain('storage is full');
  });

  it('is the message itself where nothing better is known', () => {
    expect(whyNotKept(new Error('a strange thing'))).toBe('a strange thing');
    expect(whyNotKept('odd')).toBe('odd');
  });
});
