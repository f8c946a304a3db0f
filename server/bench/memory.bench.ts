import { spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

// What the server takes after 2,000 requests, beside what it takes when it has just started.
const root = fileURLToPath(new URL('../..', import.meta.url));
const REQUESTS = 2000;
const AT_ONCE = 20;
const PORT = 4698;

const memoryMb = (id: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${id}/status`, 'utf8'))?.[1]) / 1024;

async function ask(files: readonly string[], first: number): Promise<void> {
  const asked = Array.from({ length: AT_ONCE }, async (_, index) => {
    const file = files[(first + index) % files.length] ?? '';
    const response = await fetch(`http://127.0.0.1:${PORT}/${file}`, {
      headers: { 'accept-encoding': index % 2 === 0 ? 'gzip' : 'identity' },
    });
    await response.arrayBuffer();
  });
  await Promise.all(asked);
}

if (existsSync('/proc/self/status')) {
  const options = ['--import', '@oxc-node/core/register', 'server/src/main.ts', '--port', String(PORT)];
  const server = spawn(process.execPath, options, { cwd: root });
  await new Promise<void>((resolve) =>
    server.stdout.on('data', (said: Buffer) => said.includes('ready:') && resolve()),
  );
  const atStart = memoryMb(server.pid ?? 0);
  const files = readdirSync(`${root}/app/dist`).filter((name) => /\.(js|css|html)$/.test(name));
  for (let asked = 0; asked < REQUESTS; asked += AT_ONCE) await ask(files, asked);
  const after = memoryMb(server.pid ?? 0);
  server.kill('SIGTERM');
  console.log(
    `server: ${after.toFixed(0)} MB after ${REQUESTS} requests, ${(after / atStart).toFixed(2)} times what it takes at its start`,
  );
}
