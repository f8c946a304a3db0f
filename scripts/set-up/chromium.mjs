import { existsSync } from 'node:fs';
import { Fault } from './fault.mjs';
import { longStep } from './long-step.mjs';

/** A package archive that cannot be reached is told soon. */
const PATIENCE = ['-o', 'Acquire::Retries=1', '-o', 'Acquire::http::Timeout=8'];
/**
 * The same engine without the parts of a window: a page opens in about half the time. Not by the script of the package: who ends
 * the script leaves its browser behind.
 */
const PREFERRED = { package: 'chromium-headless-shell', path: '/usr/lib/chromium/chromium-headless-shell' };
const USUAL = '/usr/bin/chromium';

function thisMachine() {
  return {
    named: process.env.CHROME_BIN,
    preferred: PREFERRED.path,
    usual: USUAL,
    mayInstall: process.getuid?.() === 0 && existsSync('/usr/bin/apt-get'),
  };
}

/**
 * The browser that is there, and whether a better one may be installed; said before anything long begins: what a run of the tests
 * would miss at its end.
 */
export function checkChromium({ named, preferred, usual, mayInstall } = thisMachine()) {
  if (named && !existsSync(named))
    throw new Fault(`CHROME_BIN names ${named}, which does not exist: correct it, then try again.`);
  const path = [named, preferred, usual].find((each) => each && existsSync(each));
  if (path === undefined && !mayInstall) {
    throw new Fault(
      `The tests need Chromium: install the package "${PREFERRED.package}" as root, or name a browser in CHROME_BIN.`,
    );
  }
  // Who names a browser means that one.
  return { path, mayInstall: mayInstall && !named && path !== preferred };
}

/** The browser that the tests drive; Debian's package is installed where it is missing and may be. */
export async function findChromium() {
  const { path, mayInstall } = checkChromium();
  if (!mayInstall) return path;
  try {
    await install();
    return PREFERRED.path;
  } catch (fault) {
    if (path === undefined || !(fault instanceof Fault)) throw fault;
    console.log(`The tests go on with ${path}, which takes them longer.`);
    return path;
  }
}

async function install() {
  const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
  await longStep('Reading the package lists', 'apt-get', [...PATIENCE, 'update'], quiet);
  await longStep(
    'Installing Chromium',
    'apt-get',
    [...PATIENCE, 'install', '-y', '--no-install-recommends', PREFERRED.package],
    quiet,
  );
}
