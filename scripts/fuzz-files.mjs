import { spawnSync } from 'node:child_process';
import { runScript } from './set-up/fault.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root } from './set-up/paths.mjs';

// Reads rig files that were spoilt at random: -- COUNT SEED.
await runScript(async () => {
  checkNodeVersion();
  await installPackages();
  const args = ['--import', 'tsx', 'core/spec/fuzz/run-files.ts', ...process.argv.slice(2)];
  process.exitCode = spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit' }).status ?? 1;
});
