import { longStep } from './long-step.mjs';
import { onceFor } from './stamp.mjs';

const INPUTS = [
  'app',
  'core/src',
  'core/package.json',
  'demo',
  'angular.json',
  'tsconfig.base.json',
  'package-lock.json',
];

/** Builds the application when its sources have changed. */
export async function buildApplication() {
  await onceFor('build', INPUTS, 'app/dist/index.html', () =>
    longStep('Building the application', process.execPath, ['node_modules/@angular/cli/bin/ng.js', 'build']),
  );
}
