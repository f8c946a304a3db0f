import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { Fault } from '../set-up/fault.mjs';
import { longStep } from '../set-up/long-step.mjs';
import { checkNodeVersion } from '../set-up/node-version.mjs';
import { root, setUpFolder } from '../set-up/paths.mjs';
import { onceFor } from '../set-up/stamp.mjs';

const scratch = '.setup/spec';

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
      /registry cannot be reached/,
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
