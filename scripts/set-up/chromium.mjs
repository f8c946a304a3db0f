import { existsSync } from 'node:fs';
import { Fault } from './fault.mjs';
import { longStep } from './long-step.mjs';

const DEFAULT = '/usr/bin/chromium';

/** The browser that the tests drive; Debian's package is installed where it is missing and may be. */
export async function findChromium() {
  const path = process.env.CHROME_BIN || DEFAULT;
  if (existsSync(path)) return path;
  if (process.env.CHROME_BIN)
    throw new Fault(`CHROME_BIN names ${path}, which does not exist: correct it, then try again.`);
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new Fault(
      'The tests need Chromium: install the package "chromium" as root, or name a browser in CHROME_BIN.',
    );
  }
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await longStep('Reading the package lists', 'apt-get', ['update'], quiet);
  await longStep(
    'Installing Chromium',
    'apt-get',
    ['install', '-y', '--no-install-recommends', 'chromium'],
    quiet,
  );
  return path;
}
