import { longStep } from './long-step.mjs';
import { onceFor } from './stamp.mjs';

/** Installs exactly what the lock file names. */
export async function installPackages() {
  await onceFor('packages', ['package-lock.json'], 'node_modules/.package-lock.json', () =>
    longStep('Installing packages', 'npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund']),
  );
}
