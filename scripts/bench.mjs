import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildApplication } from './set-up/build.mjs';
import { findChromium } from './set-up/chromium.mjs';
import { runScript } from './set-up/fault.mjs';
import { checkNodeVersion } from './set-up/node-version.mjs';
import { installPackages } from './set-up/packages.mjs';
import { root, setUpFolder } from './set-up/paths.mjs';

// Speed is shown here and never asserted by a test.
await runScript(async () => {
  checkNodeVersion();
  await installPackages();
  const CHROME_BIN = await findChromium();
  await buildApplication();
  const env = { ...process.env, CHROME_BIN };
  const run = (...args) => {
    if (spawnSync(process.execPath, args, { cwd: root, stdio: 'inherit', env }).status !== 0)
      process.exitCode = 1;
  };
  // Bundled as the application is: names kept for debugging would be most of the time.
  const { build } = await import('esbuild');
  for (const [name, platform] of [
    ['check', 'node'],
    ['sets', 'node'],
    ['day', 'node'],
    ['log', 'browser'],
  ]) {
    const bundle = join(setUpFolder, `${name}.bench.mjs`);
    await build({
      entryPoints: [join(root, `core/bench/${name}.bench.ts`)],
      outfile: bundle,
      bundle: true,
      // It brings a file that it looks for beside itself.
      external: ['highs'],
      platform,
      format: platform === 'node' ? 'esm' : 'iife',
      define: { DEMO_RIG: JSON.stringify(readFileSync(join(root, 'demo/tern.json'), 'utf8')) },
      logLevel: 'error',
    });
    if (platform === 'node') run(bundle);
    else run('--import', '@oxc-node/core/register', 'e2e/bench/in-worker.ts', bundle);
  }
  run('--import', '@oxc-node/core/register', 'e2e/bench/checkbox.bench.ts');
  run('--import', '@oxc-node/core/register', 'e2e/bench/plates.bench.ts');
  run('--import', '@oxc-node/core/register', 'server/bench/memory.bench.ts');
});
