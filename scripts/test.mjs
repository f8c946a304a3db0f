import { spawn } from 'node:child_process';
import { buildApplication } from './set-up/build.mjs';
import { checkChromium, findChromium } from './set-up/chromium.mjs';
import { Fault, runScript } from './set-up/fault.mjs';
import { firstLoadFits } from './set-up/first-load.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { freePort } from './set-up/server-options.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root } from './set-up/paths.mjs';
import { AS_A_WHOLE, JASMINE, KARMA, PLAYWRIGHT } from './set-up/reports.mjs';

const bin = (name) => `node_modules/.bin/${name}`;
/** The native compiler: the same analysis in a tenth of the time. The application is built with the one Angular knows. */
const types = ['node_modules/typescript-7/bin/tsc', '--noEmit', '-p'];
const jasmine = ['--import', '@oxc-node/core/register', 'node_modules/jasmine/bin/jasmine.js'];

/**
 * What runs two at a time, for two cores: checks of the code, which pass or fail as a whole, and runners of tests, with how
 * their report is read. The longest first, so that both cores are busy to the end; the build before what may need it.
 */
const BESIDE_EACH_OTHER = [
  ['Build', buildApplication],
  ['Core', process.execPath, [...jasmine, '--config=core/spec/jasmine.json'], JASMINE],
  ['Application', process.execPath, ['node_modules/@angular/cli/bin/ng.js', 'test'], KARMA],
  ['Format', bin('oxfmt'), ['--check', '.']],
  ['Format of templates', bin('prettier'), ['--check', '--log-level', 'warn', 'app/src/**/*.html']],
  ['Command line', process.execPath, [...jasmine, '--config=cli/spec/jasmine.json'], JASMINE],
  ['Server', process.execPath, [...jasmine, '--config=server/spec/jasmine.json'], JASMINE],
  ['Set-up', process.execPath, [...jasmine, '--config=scripts/spec/jasmine.json'], JASMINE],
  ['Lint of Angular', bin('eslint'), ['app/src', '--max-warnings', '0']],
  ['Lint', bin('oxlint'), ['--type-aware', '--deny-warnings']],
  ['Types', process.execPath, [...types, 'tsconfig.json']],
  ['Types of the application and its specs', process.execPath, [...types, 'app/tsconfig.spec.json']],
  ['Types of core alone', process.execPath, [...types, 'core/tsconfig.json']],
  ['Dead files and exports', bin('knip'), ['--no-progress']],
  [
    'Import rules',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', 'core/src', 'cli/src', 'server/src', 'app/src'],
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
  let [passed, failed] = [0, 0];
  const count = async ([title, command, args, report = AS_A_WHOLE]) => {
    if (typeof command === 'function') return command();
    const { code, output } = await run(title, command, args, env);
    if (code !== 0) failures.push(`${title}:`, ...report.failures(output));
    const counted = report.count(output, code);
    if (counted.passed + counted.failed === 0)
      throw new Fault(`${title} ran no test: see what it printed above.`);
    passed += counted.passed;
    failed += code !== 0 && counted.failed === 0 ? 1 : counted.failed;
  };
  await twoAtATime(BESIDE_EACH_OTHER, count);
  if (firstLoadFits()) passed += 1;
  else {
    failed += 1;
    failures.push('First load: too large');
  }
  await count(REAL_INTERFACE);
  // Said again at the end: the output of one runner is long, and two of them write at once.
  if (failures.length > 0) console.log(`\n${failures.join('\n')}`);
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exitCode = failed > 0 ? 1 : 0;
});

async function twoAtATime(tasks, work) {
  const left = [...tasks];
  const worker = async () => {
    for (let next = left.shift(); next !== undefined; next = left.shift()) await work(next);
  };
  await Promise.all([worker(), worker()]);
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
