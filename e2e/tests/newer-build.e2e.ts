import { expect, test } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApplication } from '../../server/src/application.ts';
import { TogetherPage } from './together-page.ts';

const root = fileURLToPath(new URL('../..', import.meta.url));

test.use({ serviceWorkers: 'allow' });

test('a newer build takes over only when asked to, and the page in use goes on with its own until then', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'heliarch-builds-'));
  const [served, next] = [join(folder, 'served'), join(folder, 'next')];
  cpSync(join(root, 'app/dist'), served, { recursive: true });
  const server = await serve(served);
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const together = new TogetherPage(page);
  await page.goto(address);
  await together.load('Kettle').check();
  await expect
    .poll(() =>
      page.evaluate(async () => (await caches.keys()).some((name) => name.includes('assets:application'))),
    )
    .toBe(true);
  await page.reload();
  await expect(together.load('Kettle')).toBeChecked();

  const commit = /commit (\w+)/.exec(await savedBy(page, together))?.[1] ?? '';
  copyAsNewer(join(root, 'app/dist'), next, commit);
  rmSync(served, { recursive: true });
  cpSync(next, served, { recursive: true });
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update());
  await page.reload();
  const notice = page.getByText('A newer build is ready.');
  await expect(notice).toBeVisible();
  // Rooms that were never opened come from the build that is in use.
  await page.getByRole('link', { name: 'Loads' }).click();
  await expect(page.getByRole('article', { name: 'Bandsaw' })).toBeVisible();
  expect(await savedBy(page, together)).not.toContain('the-next-one');
  await page.getByRole('button', { name: 'Reload to use it' }).click();
  await expect(notice).toHaveCount(0);
  await expect.poll(() => savedBy(page, together)).toContain('the-next-one');
  await page.getByRole('link', { name: 'Together' }).click();
  await expect(together.load('Kettle')).toBeChecked();
  server.close();
  server.closeAllConnections();
  rmSync(folder, { recursive: true });
});

/** The build as it would be after a change: every hashed file under another name, told apart by the commit it names. */
function copyAsNewer(built: string, folder: string, commit: string): void {
  const renamed = (text: string) => text.replace(/(-[A-Za-z0-9]{7})[A-Za-z0-9](?=\.(?:js|css)\b)/g, '$1_');
  // What is compressed beside a file would be of the one before.
  cpSync(built, folder, {
    recursive: true,
    filter: (path) => !/\.(?:js|css|html|json)\.(?:br|gz)$/.test(path),
  });
  for (const name of readdirSync(folder).filter((each) => /\.(js|css|html)$/.test(each))) {
    const text = renamed(readFileSync(join(folder, name), 'utf8'));
    const namesTheBuild = text.includes(', commit ${');
    rmSync(join(folder, name));
    writeFileSync(
      join(folder, renamed(name)),
      namesTheBuild ? text.replaceAll(commit, 'the-next-one') : text,
    );
  }
  const written = spawnSync(
    process.execPath,
    ['node_modules/@angular/service-worker/ngsw-config.js', relative(root, folder), 'app/ngsw-config.json'],
    { cwd: root, encoding: 'utf8' },
  );
  expect(written.status, written.stderr).toBe(0);
}

async function serve(folder: string): Promise<Server> {
  const answer = createApplication({ folder, demoRig: 'tern' }).callback();
  const server = createServer((request, response) => void answer(request, response));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return server;
}

async function savedBy(page: TogetherPage['page'], together: TogetherPage): Promise<string> {
  const downloading = page.waitForEvent('download');
  await together.menu('Save Tern to a file');
  const file = JSON.parse(readFileSync(await (await downloading).path(), 'utf8')) as { savedBy: string };
  return file.savedBy;
}
