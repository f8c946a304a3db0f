import { readSpoiltFiles } from '../fuzz/files.js';

describe('whatever is read', () => {
  it('is taken whole or refused with field and fix: 150 spoilt files, documents and lists; `npm run fuzz:files` reads more', () => {
    expect(() => readSpoiltFiles(150, 9)).not.toThrow();
  });
});
