import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DRAWINGS } from '../drawings.mjs';
import { root } from '../set-up/paths.mjs';

describe('the drawings of the methods', () => {
  for (const [path, draw] of Object.entries(DRAWINGS))
    it(`are what the core's numbers give, and stand on the page: ${path} (npm run drawings writes them)`, () => {
      expect(readFileSync(join(root, path), 'utf8')).toBe(draw());
      const page = readFileSync(join(root, 'docs/methods.md'), 'utf8');
      expect(page).toContain(`](${path.replace('docs/', '')})`);
    });
});
