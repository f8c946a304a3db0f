import { spawnSync } from 'node:child_process';
import { runScript } from './set-up/fault.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root } from './set-up/paths.mjs';

// What is tried at random: systems beside the naive check, spoilt rig files, or every subset of sets; then -- COUNT SEED.
const [what, ...countAndSeed] = process.argv.slice(2);
await runScript(async () => {
  checkNodeVersion();
  await installPackages();
  const args = ['--import', '@oxc-node/core/register', `core/spec/fuzz/run-${what}.ts`, ...countAndSeed];
  process.exitCode = spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' }).status ?? 1;
});
