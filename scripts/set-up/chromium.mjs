import { existsSync } from 'node:fs';
import { Fault } from './fault.mjs';
import { longStep } from './long-step.mjs';

/** A package archive that cannot be reached is told soon. */
const PATIENCE = ['-o', 'Acquire::Retries=1', '-o', 'Acquire::http::Timeout=8'];
const DEFAULT = '/usr/bin/chromium';

/** Said before anything long begins: what a run of the tests would miss at its end. */
export function checkChromium({ named, usual, user } = thisMachine()) {
  const path = named || usual;
  if (existsSync(path)) return path;
  if (named) throw new Fault(`CHROME_BIN names ${path}, which does not exist: correct it, then try again.`);
  if (user !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new Fault(
      'The tests need Chromium: install the package "chromium" as root, or name a browser in CHROME_BIN.',
    );
  }
  return undefined;
}

function thisMachine() {
  return { named: process.env.CHROME_BIN, usual: DEFAULT, user: process.getuid?.() };
}

/** The browser that the tests drive; Debian's package is installed where it is missing and may be. */
export async function findChromium() {
  const path = checkChromium();
  if (path !== undefined) return path;
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await longStep('Reading the package lists', 'apt-get', [...PATIENCE, 'update'], quiet);
  await longStep(
    'Installing Chromium',
    'apt-get',
    [...PATIENCE, 'install', '-y', '--no-install-recommends', 'chromium'],
    quiet,
  );
  return DEFAULT;
}
