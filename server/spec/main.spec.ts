import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const root = fileURLToPath(new URL('../..', import.meta.url));
const NOBODY = 65_534;
const started: ChildProcess[] = [];

async function freePort(): Promise<number> {
  const probe = createServer();
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address() as AddressInfo;
  await new Promise((resolve) => probe.close(resolve));
  return port;
}

/** The server as `npm start` runs it, until it is ready or has given up; what it said by then. */
async function start(
  options: readonly string[],
  main: readonly string[] = ['--import', '@oxc-node/core/register', 'server/src/main.ts'],
  as: { readonly uid?: number; readonly gid?: number; readonly cwd?: string } = {},
) {
  const port = await freePort();
  const child = spawn(process.execPath, [...main, '--port', String(port), ...options], {
    cwd: root,
    env: { ...process.env, NODE_OPTIONS: '' },
    ...as,
  });
  started.push(child);
  let said = '';
  await new Promise<void>((resolve) => {
    const hear = (chunk: Buffer): void => {
      said += chunk.toString();
      if (said.includes('ready:')) resolve();
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.on('close', () => resolve());
  });
  return { said, port };
}

/** The server in a folder that anyone may read and only its owner may change: a clone may lie where nobody else gets. */
async function readableCopy(): Promise<{ readonly folder: string; readonly main: string }> {
  const folder = mkdtempSync(join(tmpdir(), 'heliarch-server-'));
  const main = join(folder, 'server/src/main.mjs');
  await build({
    entryPoints: [join(root, 'server/src/main.ts')],
    outfile: main,
    bundle: true,
    platform: 'node',
    format: 'esm',
    banner: {
      js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);",
    },
    logLevel: 'error',
  });
  mkdirSync(join(folder, 'app/dist'), { recursive: true });
  chmodSync(folder, 0o755);
  return { folder, main };
}

describe('the server as it is started', () => {
  afterEach(() => started.splice(0).forEach((child) => child.kill('SIGTERM')));

  it('says where it is, in a form that a browser takes, and warns of a network only where there is one', async () => {
    const local = await start(['--host', 'localhost']);
    expect(local.said).toBe(`Heliarch is ready: http://localhost:${local.port}\n`);
    const open = await start(['--host', '0.0.0.0', '--https']);
    expect(open.said).toContain('Anyone on this network can open the page');
    expect(open.said).toMatch(
      /keeps nothing for use offline\nuntil it trusts it: open https:\S+\/heliarch\.crt/,
    );
    expect(open.said).toContain(`ready: https://127.0.0.1:${open.port}`);
    const taken = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => taken.once('listening', resolve));
    const { port } = taken.address() as AddressInfo;
    const late = await start(['--port', String(port)]);
    expect(late.said).toMatch(/^Port \d+ is taken: stop what runs there, or choose another/);
    taken.close();
  });

  it('ends in one line where its certificate cannot be written', async () => {
    if (process.getuid?.() !== 0) {
      pending('Only root can become another user');
      return;
    }
    const { folder, main } = await readableCopy();
    const { said } = await start(['--https'], [main], { uid: NOBODY, gid: NOBODY, cwd: folder });
    rmSync(folder, { recursive: true });
    expect(said).toBe(
      '.setup/certificate.json cannot be written (EACCES): make this folder writable, or leave --https out.\n',
    );
  });
});
