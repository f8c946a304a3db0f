import { spawn } from 'node:child_process';
import { buildApplication } from './set-up/build.mjs';
import { findChromium } from './set-up/chromium.mjs';
import { Fault, runScript } from './set-up/fault.mjs';
import { firstLoadFits } from './set-up/first-load.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root } from './set-up/paths.mjs';

const bin = (name) => `node_modules/.bin/${name}`;
const jasmine = ['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js'];

/** Checks of the code itself; each passes or fails as a whole. */
const CHECKS = [
  ['Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['Lint', bin('eslint'), ['.', '--max-warnings', '0']],
  [
    'Import rules',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', 'core/src', 'cli/src', 'server/src', 'app/src'],
  ],
  ['Types of core', bin('tsc'), ['-p', 'core/tsconfig.json']],
  ['Types of its specs', bin('tsc'), ['-p', 'core/spec/tsconfig.json']],
  ['Types of cli', bin('tsc'), ['-p', 'cli/tsconfig.json']],
  ['Types of server', bin('tsc'), ['-p', 'server/tsconfig.json']],
  ['Types of the benches', bin('tsc'), ['-p', 'core/bench/tsconfig.json']],
  ['Types of e2e', bin('tsc'), ['-p', 'e2e/tsconfig.json']],
];

/** Runners of tests, each with how it counts. */
const RUNNERS = [
  ['Core', process.execPath, [...jasmine, '--config=core/spec/jasmine.json'], countJasmine],
  ['Command line', process.execPath, [...jasmine, '--config=cli/spec/jasmine.json'], countJasmine],
  ['Server', process.execPath, [...jasmine, '--config=server/spec/jasmine.json'], countJasmine],
  ['Set-up', process.execPath, [...jasmine, '--config=scripts/spec/jasmine.json'], countJasmine],
  ['Application', process.execPath, ['node_modules/@angular/cli/bin/ng.js', 'test'], countKarma],
  [
    'The real interface',
    bin('playwright'),
    ['test', '--config', 'e2e/playwright.config.ts'],
    countPlaywright,
  ],
];

await runScript(async () => {
  checkNodeVersion();
  await installPackages();
  const chromium = await findChromium();
  const env = { ...process.env, CHROME_BIN: chromium, NODE_OPTIONS: '' };
  const failedChecks = [];
  for (const [title, command, args] of CHECKS) {
    const { code } = await run(title, command, args, env);
    if (code !== 0) failedChecks.push(title);
  }
  await buildApplication();
  if (!firstLoadFits()) failedChecks.push('First load');
  let passed = CHECKS.length + 1 - failedChecks.length;
  let failed = failedChecks.length;
  for (const [title, command, args, count] of RUNNERS) {
    const { code, output } = await run(title, command, args, env);
    const counted = count(output);
    if (counted.passed + counted.failed === 0)
      throw new Fault(`${title} ran no test: see what it printed above.`);
    passed += counted.passed;
    failed += code !== 0 && counted.failed === 0 ? 1 : counted.failed;
  }
  if (failedChecks.length > 0) console.log(`\nNot in order: ${failedChecks.join(', ')}`);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed > 0 ? 1 : 0;
});

function run(title, command, args, env) {
  const began = Date.now();
  console.log(`\n${title} …`);
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (chunk) => {
        output += chunk;
        process.stdout.write(chunk);
      });
    }
    child.on('error', reject);
    child.on('close', (code) => {
      console.log(`  ${code === 0 ? 'in order' : 'FAILED'}, ${Math.round((Date.now() - began) / 1000)} s`);
      resolve({ code, output });
    });
  });
}

function countJasmine(output) {
  const [, specs = 0, failures = 0] = /(\d+) specs?, (\d+) failures?/.exec(output) ?? [];
  return { passed: specs - failures, failed: Number(failures) };
}

function countKarma(output) {
  const last = [...output.matchAll(/Executed (\d+) of \d+(?: \((\d+) FAILED\))?/g)].at(-1);
  const [, executed = 0, failures = 0] = last ?? [];
  return { passed: executed - failures, failed: Number(failures) };
}

function countPlaywright(output) {
  const count = (word) => Number(new RegExp(`^\\s*(\\d+) ${word}`, 'm').exec(output)?.[1] ?? 0);
  return { passed: count('passed'), failed: count('failed') + count('flaky') + count('did not run') };
}
