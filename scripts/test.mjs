import { spawn } from 'node:child_process';
import { buildApplication } from './set-up/build.mjs';
import { checkChromium, findChromium } from './set-up/chromium.mjs';
import { Fault, runScript } from './set-up/fault.mjs';
import { firstLoadFits } from './set-up/first-load.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { freePort } from './set-up/server-options.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root } from './set-up/paths.mjs';
import { JASMINE, KARMA, PLAYWRIGHT } from './set-up/reports.mjs';

const bin = (name) => `node_modules/.bin/${name}`;
const jasmine = ['--import', 'tsx', 'node_modules/jasmine/bin/jasmine.js'];

/** Checks of the code itself; each passes or fails as a whole. The first writes what lint reads. */
const CHECKS = [
  ['Types of core', bin('tsc'), ['-p', 'core/tsconfig.json']],
  ['Format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  ['Lint', bin('eslint'), ['.', '--max-warnings', '0']],
  [
    'Import rules',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', 'core/src', 'cli/src', 'server/src', 'app/src'],
  ],
  ['Types of its specs', bin('tsc'), ['-p', 'core/spec/tsconfig.json']],
  ['Types of cli', bin('tsc'), ['-p', 'cli/tsconfig.json']],
  ['Types of server', bin('tsc'), ['-p', 'server/tsconfig.json']],
  ['Types of the benches', bin('tsc'), ['-p', 'core/bench/tsconfig.json']],
  ['Types of e2e', bin('tsc'), ['-p', 'e2e/tsconfig.json']],
];

/** Runners of tests, each with how its report is read; a lane of them runs beside the other, for two cores. */
const LANES = [
  [['Core', process.execPath, [...jasmine, '--config=core/spec/jasmine.json'], JASMINE]],
  [
    ['Command line', process.execPath, [...jasmine, '--config=cli/spec/jasmine.json'], JASMINE],
    ['Server', process.execPath, [...jasmine, '--config=server/spec/jasmine.json'], JASMINE],
    ['Set-up', process.execPath, [...jasmine, '--config=scripts/spec/jasmine.json'], JASMINE],
    ['Application', process.execPath, ['node_modules/@angular/cli/bin/ng.js', 'test'], KARMA],
  ],
];

/** Two browsers at once: nothing beside it. */
const REAL_INTERFACE = [
  'The real interface',
  bin('playwright'),
  ['test', '--config', 'e2e/playwright.config.ts'],
  PLAYWRIGHT,
];

await runScript(async () => {
  checkNodeVersion();
  checkChromium();
  await installPackages();
  const chromium = await findChromium();
  const env = {
    ...process.env,
    CHROME_BIN: chromium,
    NODE_OPTIONS: '',
    HELIARCH_TEST_PORT: String(await freePort()),
  };
  const failures = [];
  const failedChecks = await checkTheCode(env);
  await buildApplication();
  if (!firstLoadFits()) failedChecks.push('First load');
  let passed = CHECKS.length + 1 - failedChecks.length;
  let failed = failedChecks.length;
  const count = async ([title, command, args, report]) => {
    const { code, output } = await run(title, command, args, env);
    if (code !== 0) failures.push(`${title}:`, ...report.failures(output));
    const counted = report.count(output);
    if (counted.passed + counted.failed === 0)
      throw new Fault(`${title} ran no test: see what it printed above.`);
    passed += counted.passed;
    failed += code !== 0 && counted.failed === 0 ? 1 : counted.failed;
  };
  await Promise.all(
    LANES.map(async (lane) => {
      for (const runner of lane) await count(runner);
    }),
  );
  await count(REAL_INTERFACE);
  // Said again at the end: the output of one runner is long, and two of them write at once.
  if (failures.length > 0) console.log(`\n${failures.join('\n')}`);
  if (failedChecks.length > 0) console.log(`\nNot in order: ${failedChecks.join(', ')}`);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed > 0 ? 1 : 0;
});

/** One after the other, then two at a time, for two cores. */
async function checkTheCode(env) {
  const failed = [];
  const check = async ([title, command, args]) => {
    const { code } = await run(title, command, args, env);
    if (code !== 0) failed.push(title);
  };
  const [first, ...rest] = CHECKS;
  await check(first);
  const worker = async () => {
    for (let next = rest.shift(); next !== undefined; next = rest.shift()) await check(next);
  };
  await Promise.all([worker(), worker()]);
  return failed;
}

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
      console.log(
        `  ${title}: ${code === 0 ? 'in order' : 'FAILED'}, ${Math.round((Date.now() - began) / 1000)} s`,
      );
      resolve({ code, output });
    });
  });
}
