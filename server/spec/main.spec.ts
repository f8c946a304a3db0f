import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';

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
async function start(options: readonly string[], user?: number) {
  const port = await freePort();
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', 'server/src/main.ts', '--port', String(port), ...options],
    {
      cwd: root,
      env: { ...process.env, NODE_OPTIONS: '' },
      ...(user !== undefined && { uid: user, gid: user }),
    },
  );
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
    const { said } = await start(['--https'], NOBODY);
    expect(said).toBe(
      '.setup/certificate.json cannot be written (EACCES): make this folder writable, or leave --https out.\n',
    );
  });
});
