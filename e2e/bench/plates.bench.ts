import { chromium } from '@playwright/test';
import { build } from 'esbuild';
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/**
 * How many numbers of invented plates are read right off their pictures, in the built application's own reader: right, wrong, of the
 * wrong ones those that the other reading or a question marks, and missing. What is not compared with the picture is a guess besides.
 */
const PORT = 4697;
const root = fileURLToPath(new URL('../..', import.meta.url));

const bundle = await build({
  entryPoints: [fileURLToPath(new URL('plates/read-them.ts', import.meta.url))],
  bundle: true,
  format: 'iife',
  platform: 'browser',
  write: false,
  logLevel: 'error',
});
const server = spawn(
  process.execPath,
  ['--import', '@oxc-node/core/register', 'server/src/main.ts', '--port', String(PORT)],
  {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
  },
);
await new Promise((resolve) => server.stdout.once('data', resolve));
const browser = await chromium.launch({
  executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
});
try {
  const page = await browser.newPage({ serviceWorkers: 'block' });
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await page.evaluate(bundle.outputFiles[0]?.text ?? '');
  const lines = await page.evaluate(() =>
    (globalThis as unknown as { readThem: () => Promise<readonly string[]> }).readThem(),
  );
  console.log(lines.join('\n'));
} finally {
  await browser.close();
  server.kill('SIGTERM');
}
