import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { WORKED_EXAMPLES } from './worked-example.js';

/** What is cited in code and tests must be there to be opened: sections and rules of docs/methods.md, decisions. */
const methods = readFileSync('docs/methods.md', 'utf8');
const sections = new Set([...methods.matchAll(/^## (\d+)\./gm)].map(([, number]) => number));
const rules = new Set(
  [...methods.slice(methods.indexOf('## 15.')).matchAll(/^(\d+)\. /gm)].map(([, number]) => number),
);
const LIST = String.raw`\d+(?:(?:, | and | to )\d+)*`;

const sources = execFileSync('git', ['ls-files', 'core', 'app/src', 'cli', 'server', 'e2e', 'scripts'], {
  encoding: 'utf8',
})
  .split('\n')
  .filter(
    (path) => /\.(ts|mjs|html|css)$/.test(path) && !path.endsWith('citations.spec.ts') && existsSync(path),
  )
  .map((path) => ({ path, text: readFileSync(path, 'utf8') }));

/** Every number that follows some words, with where it stands. */
const cited = (before: string) =>
  sources.flatMap(({ path, text }) =>
    [...text.matchAll(new RegExp(`${before}(${LIST})`, 'g'))].flatMap(([, list = '']) =>
      list.split(/, | and | to /).map((number) => ({ path, number })),
    ),
  );

describe('a citation', () => {
  it('of a section or rule of the methods names one that exists', () => {
    expect(sections.size).toBeGreaterThan(10);
    expect(rules.size).toBe(50);
    expect(cited('methods\\.md,? ').filter(({ number }) => !sections.has(number))).toEqual([]);
    expect(cited('\\brules? ').filter(({ number }) => !rules.has(number))).toEqual([]);
    expect(cited('\\brules? ').length).toBeGreaterThan(30);
  });

  it('of a worked example of the methods names one that is there, and none is there that no spec reads', () => {
    const read = new Set(
      sources.flatMap(({ text }) =>
        [...text.matchAll(/workedExample\('([\d.]+)'\)/g)].map(([, number]) => number),
      ),
    );
    const specs = sources.filter(({ path }) => path.endsWith('.spec.ts'));
    const titled = specs.flatMap(({ path, text }) =>
      [...text.matchAll(/worked examples? (?!of NREL)([\d.]*)/g)].map(([, number]) => ({ path, number })),
    );
    expect(titled.length).toBeGreaterThan(30);
    expect(titled.filter(({ number = '' }) => !WORKED_EXAMPLES.includes(number))).toEqual([]);
    expect(WORKED_EXAMPLES.filter((number) => !read.has(number))).toEqual([]);
  });

  it('of a decision names a record, and none names a page that is not shipped', () => {
    for (const { path, number } of cited('decisions/'))
      expect(execFileSync('git', ['ls-files', `docs/decisions/${number}*`], { encoding: 'utf8' }))
        .withContext(path)
        .not.toBe('');
    const unshipped = sources.filter(({ text }) => /\bneeds? [A-H]\d|\bissue \d/.test(text));
    expect(unshipped.map(({ path }) => path)).toEqual([]);
  });

  it('of a file, in a page or a comment, names one that is there, from the root or from where the core or the application begins', () => {
    const pages = execFileSync('git', ['ls-files', 'docs', 'README.md', 'CONTRIBUTING.md'], {
      encoding: 'utf8',
    })
      .split('\n')
      .filter((path) => path.endsWith('.md') && existsSync(path));
    const named = pages.flatMap((page) =>
      [...readFileSync(page, 'utf8').matchAll(/`((?:[\w-]+\/)+[\w.-]+\.(?:ts|mjs|css|txt|json))`/g)].map(
        ([, path = '']) => ({ page, path }),
      ),
    );
    expect(named.length).toBeGreaterThan(20);
    const isThere = (path: string): boolean =>
      ['', 'core/src/', 'app/src/'].some((root) => existsSync(`${root}${path}`));
    expect(named.filter(({ path }) => !isThere(path))).toEqual([]);
    const inComments = sources.flatMap(({ path: page, text }) =>
      [...text.matchAll(/^\s*(?:\*|\/\*\*|\/\/).*?[ (`]((?:[a-z-]+\/)+[a-z0-9-]+\.ts)\b/gm)].map(
        ([, path = '']) => ({ page, path }),
      ),
    );
    expect(inComments.length).toBeGreaterThan(5);
    expect(inComments.filter(({ path }) => !isThere(path))).toEqual([]);
  });
});
