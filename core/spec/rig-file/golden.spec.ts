import { readdirSync, readFileSync } from 'node:fs';
import { problemLines, readRigFile, writeRigFile } from '../../src/formats/rig-file.js';

const folder = new URL('../golden/', import.meta.url);

describe('files of every version', () => {
  for (const name of readdirSync(folder)) {
    it(`open for ever, and lose nothing on the way: ${name}`, () => {
      const text = readFileSync(new URL(name, folder), 'utf8');
      const read = readRigFile(text);
      expect(read.ok ? [] : problemLines(read.problems)).toEqual([]);
      if (!read.ok) return;
      const before = JSON.parse(text);
      const after = JSON.parse(writeRigFile(read.value));
      expect({ ...after, version: before.version }).toEqual(before);
    });
  }
});
