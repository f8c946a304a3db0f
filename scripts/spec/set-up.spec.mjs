import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, cpSync, existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkChromium } from '../set-up/chromium.mjs';
import { Fault } from '../set-up/fault.mjs';
import { longStep } from '../set-up/long-step.mjs';
import { checkNodeVersion } from '../set-up/node-version.mjs';
import { installInto } from '../set-up/packages.mjs';
import { root, setUpFolder } from '../set-up/paths.mjs';
import { onceFor } from '../set-up/stamp.mjs';

const scratch = '.setup/spec';
/** A port nothing on this machine can be given meanwhile, unlike one that was free a moment ago. */
const NOBODY_LISTENS = 1;
/** The user that owns nothing. */
const NOBODY = 65_534;

/** A command of the README with faulty options: its exit code and the one line it says. */
function npmRun(script, ...options) {
  const { status, stderr } = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...options], {
    cwd: root,
    encoding: 'utf8',
  });
  return { status, line: stderr.trim() };
}

describe('the set-up', () => {
  beforeEach(() => {
    mkdirSync(join(root, scratch), { recursive: true });
    spyOn(console, 'log');
  });

  afterEach(() => rmSync(join(root, scratch), { recursive: true, force: true }));

  it('refuses a Node that the packages do not run on, and names one that does', () => {
    for (const version of ['18.20.0', '20.18.9', '23.0.0', '24.1.0']) {
      expect(() => checkNodeVersion(version)).toThrowMatching(
        (error) => error instanceof Fault && /install Node 20\.19 or later, below 23/.test(error.message),
      );
    }
    for (const version of ['20.19.0', '20.20.2', '21.0.0', '22.12.0']) {
      expect(() => checkNodeVersion(version)).not.toThrow();
    }
  });

  it('does a step again only when what it depends on has changed, or its product is gone', async () => {
    const input = `${scratch}/input.txt`;
    const product = `${scratch}/product.txt`;
    let done = 0;
    const step = () => {
      done += 1;
      writeFileSync(join(root, product), 'made');
    };
    const once = () => onceFor('spec', [input], product, step);
    writeFileSync(join(root, input), 'one');
    rmSync(join(setUpFolder, 'spec.stamp'), { force: true });
    await once();
    await once();
    expect(done).toBe(1);
    writeFileSync(join(root, input), 'two');
    await once();
    expect(done).toBe(2);
    rmSync(join(root, product));
    await once();
    expect(done).toBe(3);
    rmSync(join(setUpFolder, 'spec.stamp'));
  });

  it('says in one line what to mend: disk full, no rights, no network, no such program', async () => {
    const failing = (says) =>
      longStep('Spec step', process.execPath, [
        '-e',
        `console.error(${JSON.stringify(says)}); process.exit(1)`,
      ]);
    await expectAsync(failing('npm error code ENOSPC')).toBeRejectedWithError(Fault, /the disk is full/);
    await expectAsync(failing('EACCES: permission denied')).toBeRejectedWithError(Fault, /cannot be written/);
    await expectAsync(failing('getaddrinfo ENOTFOUND')).toBeRejectedWithError(
      Fault,
      /cannot be reached; check the network/,
    );
    await expectAsync(failing('something else')).toBeRejectedWithError(
      Fault,
      /\.setup\/spec-step\.log says why/,
    );
    await expectAsync(longStep('Spec step', 'no-such-program', [])).toBeRejectedWithError(
      Fault,
      /install it/,
    );
    expect(existsSync(join(setUpFolder, 'spec-step.log'))).toBeTrue();
  });

  it('says that a registry does not answer, whether it refuses or is silent, and does not wait for ever, even where npm is told to be silent', async () => {
    const folder = join(root, scratch, 'no-network');
    mkdirSync(folder, { recursive: true });
    const of = { name: 'x', version: '1.0.0', dependencies: { 'no-such-package-here': '1.0.0' } };
    writeFileSync(join(folder, 'package.json'), JSON.stringify(of));
    const integrity = `sha512-${'A'.repeat(86)}==`;
    const packages = { '': of, 'node_modules/no-such-package-here': { version: '1.0.0', integrity } };
    writeFileSync(
      join(folder, 'package-lock.json'),
      JSON.stringify({ name: 'x', version: '1.0.0', lockfileVersion: 3, packages }),
    );
    const silent = createServer();
    await new Promise((resolve) => silent.listen(0, '127.0.0.1', resolve));
    for (const port of [silent.address().port, NOBODY_LISTENS]) {
      const env = {
        npm_config_registry: `http://127.0.0.1:${port}/`,
        npm_config_cache: join(folder, 'cache'),
        npm_config_loglevel: 'silent',
      };
      await expectAsync(installInto(folder, env)).toBeRejectedWithError(Fault, /check the network/);
    }
    silent.close();
  });

  it('says at once that the tests need a browser, to whoever may not install one', () => {
    const missing = { named: undefined, preferred: '/nowhere/shell', usual: '/nowhere/chromium' };
    expect(() => checkChromium({ ...missing, mayInstall: false })).toThrowError(
      Fault,
      /install the package "chromium-headless-shell"/,
    );
    expect(() => checkChromium({ ...missing, named: '/nowhere/x', mayInstall: true })).toThrowError(
      Fault,
      /CHROME_BIN names/,
    );
  });

  it('installs the faster browser where it may, beside the usual one too, and leaves a named one', () => {
    const none = {
      named: undefined,
      preferred: '/nowhere/shell',
      usual: '/nowhere/chromium',
      mayInstall: true,
    };
    const here = process.execPath;
    expect(checkChromium(none)).toEqual({ path: undefined, mayInstall: true });
    expect(checkChromium({ ...none, usual: here })).toEqual({ path: here, mayInstall: true });
    expect(checkChromium({ ...none, preferred: here })).toEqual({ path: here, mayInstall: false });
    expect(checkChromium({ ...none, named: here, usual: here })).toEqual({ path: here, mayInstall: false });
    expect(checkChromium({ ...none, usual: here, mayInstall: false })).toEqual({
      path: here,
      mayInstall: false,
    });
  });

  it('tells an ordinary user in one line what is not theirs: a port below 1024, a folder of another', () => {
    if (process.getuid() !== 0) return pending('Only root can become another user');
    // A clone may lie where nobody else gets: its scripts are copied to where anyone may read them.
    const copy = mkdtempSync(join(tmpdir(), 'heliarch-scripts-'));
    cpSync(join(root, 'scripts'), join(copy, 'scripts'), { recursive: true });
    cpSync(join(root, 'package.json'), join(copy, 'package.json'));
    mkdirSync(join(copy, '.setup'));
    chmodSync(copy, 0o755);
    const asNobody = (script, ...options) => {
      const { stderr } = spawnSync(process.execPath, [join(copy, script), ...options], {
        cwd: copy,
        env: { ...process.env, NODE_OPTIONS: '' },
        encoding: 'utf8',
        uid: NOBODY,
        gid: NOBODY,
      });
      return stderr.trim();
    };
    expect(asNobody('scripts/demo.mjs', '--port', '80')).toBe(
      'Port 80 needs more rights: choose one above 1023, such as -- --port 4600.',
    );
    writeFileSync(
      join(copy, 'scripts/write.mjs'),
      `import { runScript } from './set-up/fault.mjs'; import { onceFor } from './set-up/stamp.mjs';
       await runScript(() => onceFor('nobody', ['package.json'], 'package.json', async () => {}));`,
    );
    expect(asNobody('scripts/write.mjs')).toMatch(
      /^\/.*nobody\.stamp cannot be written: check who owns it, or copy .*\.$/,
    );
    rmSync(copy, { recursive: true });
  });

  it('tells a taken port, a bad port and an unknown option before any long step', async () => {
    const taken = createServer();
    await new Promise((resolve) => taken.listen(0, '127.0.0.1', resolve));
    const { port } = taken.address();
    const busy = spawn(process.execPath, ['scripts/demo.mjs', '--port', String(port)], { cwd: root });
    let said = '';
    busy.stderr.on('data', (chunk) => (said += chunk));
    const status = await new Promise((resolve) => busy.on('close', resolve));
    taken.close();
    expect(status).toBe(1);
    expect(said.trim()).toBe(
      `Port ${port} is taken: stop what runs there, or choose another with -- --port ${port + 1}.`,
    );

    expect(npmRun('demo', '--port', '99999')).toEqual({
      status: 1,
      line: '--port: give a whole number from 1 to 65535.',
    });
    expect(npmRun('start', '--prot', '1').line).toBe(
      "Unknown option '--prot'. The options are -- --port N --host ADDRESS --https.",
    );
  });
});
