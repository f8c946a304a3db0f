import { spawnSync } from 'node:child_process';
import { longStep } from './long-step.mjs';
import { root } from './paths.mjs';
import { onceFor } from './stamp.mjs';

/** An npm started by `npm test --silent` inherits its silence, and would not say why it failed. */
const TELL_ERRORS = '--loglevel=error';
const QUIET = ['--ignore-scripts', '--no-audit', '--no-fund', '--no-update-notifier', TELL_ERRORS];
/** Without them npm waits for minutes before it says that there is no network. */
const PATIENCE = [
  '--fetch-timeout=60000',
  '--fetch-retries=2',
  '--fetch-retry-mintimeout=1000',
  '--fetch-retry-maxtimeout=3000',
];
const PING_TIMEOUT_MS = 8000;
/** What npm says of a host that is there but refuses: a status of HTTP, or a certificate it does not trust. */
const REFUSED = /npm (error|ERR!) code (E\d{3}|\w*CERT\w*)\b/;

/** Installs exactly what the lock file names. */
export async function installPackages() {
  await onceFor('packages', ['package-lock.json'], 'node_modules/.package-lock.json', () =>
    installInto(root),
  );
}

/** The same for a folder; what npm keeps of earlier installs is enough where no registry answers. */
export async function installInto(folder, env = {}) {
  const source = answers(folder, env) ? PATIENCE : ['--offline'];
  await longStep('Installing packages', 'npm', ['ci', ...QUIET, ...source], env, folder);
}

/** Whether the registry answers at all, be it with a refusal. */
function answers(folder, env) {
  const ping = [
    'ping',
    TELL_ERRORS,
    '--no-update-notifier',
    '--fetch-retries=0',
    `--fetch-timeout=${PING_TIMEOUT_MS}`,
  ];
  const { status, stderr } = spawnSync('npm', ping, {
    cwd: folder,
    env: { ...process.env, ...env },
    encoding: 'utf8',
    timeout: PING_TIMEOUT_MS * 1.5,
    killSignal: 'SIGKILL',
  });
  return status === 0 || REFUSED.test(stderr);
}
