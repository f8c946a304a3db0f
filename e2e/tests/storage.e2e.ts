import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { StoragePage } from './storage-page.ts';
import { TogetherPage } from './together-page.ts';

const tern = JSON.parse(readFileSync(new URL('../../demo/tern.json', import.meta.url), 'utf8')) as Record<
  string,
  unknown
>;
/** The versions of the browser's own count: ten for each of ours. */
const PRESENT = 30;
const OLDEST = 10;
const LATER = 40;

const row = (id: string, more: object = {}) => ({
  id,
  name: `Row ${id}`,
  revision: 3,
  sequence: 1,
  savedAt: 0,
  document: { ...tern, id, name: `Row ${id}` },
  ...more,
});

const ofLaterVersion = { document: { ...tern, version: 99, loads: { from: 'a later version' } } };

test.describe('what this browser keeps', () => {
  test('a rig that cannot be read stays, is named, goes to a file as it is, and is deleted only by hand', async ({
    page,
  }) => {
    const storage = new StoragePage(page);
    await storage.outside();
    await storage.make(PRESENT, [row('tern', ofLaterVersion)]);
    await storage.openApplication();
    await expect(page.getByRole('alert')).toContainText('Row tern cannot be read by this version');
    await expect(page.getByRole('alert')).toContainText('saved by a newer Heliarch (file version 99)');
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save it to a file as it is' }).click();
    expect(JSON.parse(readFileSync(await (await downloading).path(), 'utf8'))).toEqual(
      ofLaterVersion.document,
    );

    const together = new TogetherPage(page);
    await together.menu('Add the demo rig Tern');
    await expect(together.load('Kettle')).toBeVisible();
    await together.saved();
    await page.reload();
    await expect(together.load('Kettle')).toBeVisible();
    await together.menu('Go to Row tern, which cannot be read by this version');
    await page.getByRole('button', { name: 'Delete it from this browser' }).click();
    await expect(together.load('Kettle')).toBeVisible();
    await page.getByRole('button', { name: 'Put Row tern back' }).click();
    await expect(page.getByRole('alert')).toContainText('Row tern cannot be read by this version');
    const kept = (await storage.rows()).find(({ id }) => id === 'tern');
    expect(kept?.document).toEqual(ofLaterVersion.document);
  });

  test('a rig of which two arrays share an id opens once each has its own, and can be put back', async ({
    page,
  }) => {
    const storage = new StoragePage(page);
    await storage.outside();
    const [array] = tern['solar'] as readonly object[];
    const document = { ...tern, id: 'twins', solar: [array, { ...array, name: 'Second array' }] };
    await storage.make(PRESENT, [row('twins', { document })]);
    await storage.openApplication();
    await expect(page.getByRole('alert')).toContainText('is used twice');
    await page.getByRole('button', { name: 'Give each its own id, and open it' }).click();
    await expect(new TogetherPage(page).load('Kettle')).toBeVisible();
    await page.getByRole('button', { name: 'Put it back as it was' }).click();
    await expect(page.getByRole('alert')).toContainText('is used twice');
  });

  test('a file never takes the place of a rig unasked: keep both, replace, or cancel', async ({ page }) => {
    const storage = new StoragePage(page);
    const together = new TogetherPage(page);
    await storage.outside();
    await storage.make(PRESENT, [row('tern')]);
    await storage.openApplication();
    await together.load('Tool charger').check();
    const name = 'theirs.json';
    const file = { name, mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(tern)) };
    const question = page.getByRole('dialog', { name: 'Row tern is in this browser already' });
    await together.chooseFile(file);
    await question.getByRole('button', { name: 'Cancel' }).click();
    await expect(together.load('Tool charger')).toBeChecked();

    await together.chooseFile(file);
    await question.getByRole('button', { name: 'Keep both' }).click();
    await expect(page.getByText('Opened Tern from theirs.json; the other one is still here.')).toBeVisible();
    await expect(together.load('Tool charger')).not.toBeChecked();
    await together.saved();
    expect((await storage.rows()).map((each) => each.name).sort()).toEqual(['Row tern', 'Tern']);
    await together.menu('Go to Row tern');
    await expect(together.load('Tool charger')).toBeChecked();
  });

  for (const [version, title] of [
    [OLDEST, 'of the first version is brought to this one, with every rig'],
    [LATER, 'of a later version is not touched, and goes to a file'],
  ] as const)
    test(`a storage ${title}`, async ({ page }) => {
      const storage = new StoragePage(page);
      await storage.outside();
      const rows = [row('a'), row('b', { savedAt: 5 })];
      await storage.make(version, rows);
      await storage.openApplication();
      if (version === OLDEST) {
        await expect(page.getByRole('button', { name: 'Rig: Row b' })).toBeVisible();
        expect((await storage.rows()).map(({ id }) => id)).toEqual(['a', 'b']);
        return;
      }
      await expect(page.getByRole('alert')).toContainText('last kept by a newer Heliarch');
      const downloading = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Save what it holds to a file' }).click();
      const saved = JSON.parse(readFileSync(await (await downloading).path(), 'utf8')) as unknown[];
      expect(saved).toEqual(rows.map(({ document }) => document));
      await page.getByRole('button', { name: /Go on without it/ }).click();
      await new TogetherPage(page).load('Kettle').check();
      await expect(page.getByText('This browser keeps nothing now.')).toBeVisible();
      expect(await storage.rows()).toEqual(rows);
    });

  test('a storage that never answers is said after two seconds, with a way on', async ({ page }) => {
    await page.addInitScript(() => {
      IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest;
    });
    await page.goto('/');
    await expect(page.getByRole('alert')).toContainText('This browser’s storage does not answer');
    await expect(page.getByRole('alert')).toContainText('Still opening your rigs.');
    await page.getByRole('button', { name: /Go on without it/ }).click();
    const together = new TogetherPage(page);
    await together.load('Kettle').check();
    await expect(together.headline).toHaveText(/Likely trips/);
    await expect(page.getByText('Your work is in this page')).toBeVisible();
    const downloading = page.waitForEvent('download');
    await together.menu(/^Save .* to a file/);
    expect(readFileSync(await (await downloading).path(), 'utf8')).toContain('"load": "kettle"');
  });

  test('a storage that stops answering leaves the work in the page and offers a file', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.saved();
    await page.evaluate(() => {
      IDBObjectStore.prototype.put = () => new EventTarget() as IDBRequest<IDBValidKey>;
      const begin = Reflect.get<IDBDatabase, 'transaction'>(IDBDatabase.prototype, 'transaction');
      IDBDatabase.prototype.transaction = function (...args: Parameters<typeof begin>) {
        const transaction = begin.apply(this, args);
        const again = (): void => {
          transaction.objectStore('rigs').count().onsuccess = again;
        };
        again();
        return transaction;
      };
    });
    await together.load('Kettle').check();
    const notice = page.getByText('This browser’s storage does not answer.');
    await expect(notice).toBeVisible();
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save Tern to a file' }).click();
    expect(readFileSync(await (await downloading).path(), 'utf8')).toContain('"load": "kettle"');
  });

  test('a storage that is full says so, leaves no work behind unasked, and keeps it all once there is space', async ({
    page,
    context,
    baseURL,
  }) => {
    const together = new TogetherPage(page);
    // The browser hands out space ahead: it is full from the first save on.
    const devtools = await context.newCDPSession(page);
    await devtools.send('Storage.overrideQuotaForOrigin', { origin: baseURL ?? '', quotaSize: 1 });
    await together.open();
    await together.load('Kettle').check();
    await expect(page.getByText('Its storage is full')).toBeVisible();
    await together.menu('Add the demo rig Marram');
    await expect(page.getByText('This browser does not keep Tern: it would be gone.')).toBeVisible();
    await expect(together.load('Kettle')).toBeChecked();
    await devtools.send('Storage.overrideQuotaForOrigin', { origin: baseURL ?? '' });
    await together.load('Tool charger').check();
    await together.saved();
    await page.reload();
    await expect(together.load('Kettle')).toBeChecked();
    await expect(together.load('Tool charger')).toBeChecked();
  });
});
