import { chromium, expect, test } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { TogetherPage } from './together-page.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));
let server: ChildProcess;
let address: string;

test.beforeAll(async () => {
  const probe = createServer();
  await new Promise<void>((resolve) => probe.listen(0, '127.0.0.1', resolve));
  const { port } = probe.address() as AddressInfo;
  await new Promise((resolve) => probe.close(resolve));
  const options = ['--demo', 'tern', '--https', '--host', '0.0.0.0', '--port', String(port)];
  server = spawn(
    process.execPath,
    ['--import', '@oxc-node/core/register', 'server/src/main.ts', ...options],
    { cwd: root },
  );
  await new Promise<void>((resolve) =>
    server.stdout?.on('data', (chunk: Buffer) => chunk.includes('ready:') && resolve()),
  );
  address = `https://127.0.0.1:${port}`;
});

test.afterAll(() => server.kill('SIGTERM'));

/** What the browser calls the key of a certificate that it is told to trust. */
function trustedKey(): string {
  const kept = JSON.parse(readFileSync(`${root}/.setup/certificate.json`, 'utf8')) as {
    server: { cert: string };
  };
  const key = new X509Certificate(kept.server.cert).publicKey.export({ type: 'spki', format: 'der' });
  return createHash('sha256').update(key).digest('base64');
}

for (const isTrusted of [true, false])
  test(`a phone ${isTrusted ? 'that trusts the certificate has the page offline' : 'that only goes past the warning has it while the server runs'}`, async ({
    launchOptions,
  }) => {
    const args = [
      ...(launchOptions.args ?? []),
      ...(isTrusted ? [`--ignore-certificate-errors-spki-list=${trustedKey()}`] : []),
    ];
    const browser = await chromium.launch({ ...launchOptions, args });
    const context = await browser.newContext({ ignoreHTTPSErrors: !isTrusted, serviceWorkers: 'allow' });
    const page = await context.newPage();
    await page.goto(address);
    const together = new TogetherPage(page);
    await together.load('Kettle').check();
    await together.saved();
    const isKept = async () =>
      page.evaluate(async () => (await caches.keys()).some((name) => name.includes('assets:application')));
    if (isTrusted) {
      await expect.poll(isKept).toBe(true);
      await page.reload();
      await context.setOffline(true);
      await page.reload();
      await expect(together.load('Kettle')).toBeChecked();
    } else {
      await page.waitForTimeout(5000);
      expect(await isKept()).toBe(false);
    }
    await browser.close();
  });
