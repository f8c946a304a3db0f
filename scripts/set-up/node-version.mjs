import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Fault } from './fault.mjs';
import { root } from './paths.mjs';

/** Refuses a Node that the pinned packages do not run on. */
export function checkNodeVersion(version = process.versions.node) {
  const { engines } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
  const [, low, below] = /^>=([\d.]+) <(\d+)$/.exec(engines.node);
  const [major, minor] = version.split('.').map(Number);
  const [lowMajor, lowMinor] = low.split('.').map(Number);
  const isBelow = major < Number(below);
  const isRecent = major > lowMajor || (major === lowMajor && minor >= lowMinor);
  if (!isBelow || !isRecent) {
    throw new Fault(
      `Node ${version} does not fit: install Node ${low} or later, below ${below}, then try again.`,
    );
  }
}
