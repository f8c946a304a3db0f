import { spawnSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Fault, runScript } from './set-up/fault.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root, setUpFolder } from './set-up/paths.mjs';

/** Enough random cases to meet a mutant, few enough that a mutant takes seconds: the specs read it. */
const SHARE_OF_RUNS = '0.1';

/** Spoils the named files of core one change at a time, and tells which changes no specification notices. */
await runScript(async () => {
  checkNodeVersion();
  const files = process.argv.slice(2);
  if (files.length === 0)
    throw new Fault('Name the files to spoil: npm run mutate -- core/src/check/order/start-order.ts');
  await installPackages();
  const settings = join(setUpFolder, 'stryker.json');
  writeFileSync(settings, JSON.stringify(settingsFor(files)));
  const stryker = 'node_modules/@stryker-mutator/core/bin/stryker.js';
  process.exitCode = spawnSync(process.execPath, [stryker, 'run', settings], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, HELIARCH_SHARE_OF_RUNS: SHARE_OF_RUNS },
  }).status;
});

function settingsFor(files) {
  return {
    mutate: files,
    testRunner: 'jasmine',
    jasmineConfigFile: 'core/spec/mutation.json',
    testRunnerNodeArgs: ['--import', '@oxc-node/core/register'],
    coverageAnalysis: 'perTest',
    // What runs while a file of specs is read is judged by the specs that run it again, not by all of them.
    ignoreStatic: true,
    symlinkNodeModules: true,
    ignorePatterns: ['app', 'cli', 'server', 'e2e', '.angular', '.setup', 'docs/screenshots'],
    tempDirName: '.setup/stryker',
    concurrency: 2,
    reporters: ['clear-text', 'json'],
    jsonReporter: { fileName: '.setup/mutation.json' },
    clearTextReporter: { allowColor: false, reportTests: false, reportMutants: true },
    allowConsoleColors: false,
    checkers: [],
  };
}
