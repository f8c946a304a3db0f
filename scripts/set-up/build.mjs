import { spawnSync } from 'node:child_process';
import { compressBuild } from './compress-build.mjs';
import { joinChunks } from './join-chunks.mjs';
import { writeLibraryStyles } from './library.mjs';
import { longStep } from './long-step.mjs';
import { root } from './paths.mjs';
import { onceFor } from './stamp.mjs';

const INPUTS = [
  'app',
  'core/src',
  'core/package.json',
  'demo',
  'angular.json',
  'tsconfig.base.json',
  'package-lock.json',
  'scripts/set-up/join-chunks.mjs',
  'scripts/set-up/compress-build.mjs',
];

/** The commit that is built, for the page and for saved files; a copy without git has none. */
function commit() {
  const { status, stdout } = spawnSync('git', ['rev-parse', '--short', 'HEAD'], {
    cwd: root,
    encoding: 'utf8',
  });
  return status === 0 ? stdout.trim() : 'unknown';
}

/** Builds the application when its sources have changed. */
export async function buildApplication() {
  await writeLibraryStyles();
  await onceFor('build', INPUTS, 'app/dist/index.html', async () => {
    await longStep('Building the application', process.execPath, [
      'node_modules/@angular/cli/bin/ng.js',
      'build',
      '--define',
      `HELIARCH_COMMIT='${commit()}'`,
    ]);
    await joinChunks();
    compressBuild();
  });
}
