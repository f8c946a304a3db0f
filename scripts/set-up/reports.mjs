import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';

/** How much is shown of what a page had on it, characters. */
const LONGEST_PAGE = 6000;

/** How the report of each runner is read: its counts, and what it says of each failure. */
export const JASMINE = {
  count(output) {
    const [, specs = 0, failures = 0] = /(\d+) specs?, (\d+) failures?/.exec(output) ?? [];
    return { passed: specs - failures, failed: Number(failures) };
  },
  failures(output) {
    const [, said = ''] = /^Failures:\n([\s\S]*?)^(?:Ran |\d+ specs?)/m.exec(output) ?? [];
    return said.split('\n');
  },
};

/** A check that passes or fails as a whole. */
export const AS_A_WHOLE = {
  count: (_output, code) => (code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }),
  failures: () => ['not in order: see what it printed above'],
};

export const KARMA = {
  count(output) {
    const last = [...output.matchAll(/Executed (\d+) of \d+(?: \((\d+) FAILED\))?/g)].at(-1);
    const [, executed = 0, failures = 0] = last ?? [];
    return { passed: executed - failures, failed: Number(failures) };
  },
  failures(output) {
    return output.split('\n').filter((line) => line.endsWith(' FAILED'));
  },
};

export const PLAYWRIGHT = {
  count(output) {
    const count = (word) => Number(new RegExp(`^\\s*(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0);
    return { passed: count('passed'), failed: count('failed') + count('flaky') + count('did not run') };
  },
  failures(output) {
    return [...output.split('\n').filter((line) => line.includes('✘')), ...pagesOfFailures()];
  },
};

/** What each page had on it when its test failed. */
function pagesOfFailures() {
  const results = join(root, 'e2e/test-results');
  return readdirSync(results, { recursive: true })
    .filter((path) => path.endsWith('error-context.md'))
    .map((path) => readFileSync(join(results, path), 'utf8').slice(0, LONGEST_PAGE));
}
