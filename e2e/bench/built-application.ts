import { chromium, type Browser } from '@playwright/test';
import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';

/** Runs work in a browser beside the built application on a port of its own, and ends both. */
export async function inBuiltApplication(
  port: number,
  work: (browser: Browser) => Promise<void>,
): Promise<void> {
  const options = ['--import', '@oxc-node/core/register', 'server/src/main.ts', '--port', String(port)];
  const server = spawn(process.execPath, options, {
    cwd: fileURLToPath(new URL('../..', import.meta.url)),
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) => server.stdout.once('data', resolve));
  const browser = await chromium.launch({
    executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
  });
  try {
    await work(browser);
  } finally {
    await browser.close();
    server.kill('SIGTERM');
  }
}
