import { chromium, expect, test } from '@playwright/test';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { oneOf, randomNumbers } from './random.ts';
import { StoragePage } from './storage-page.ts';
import { TogetherPage } from './together-page.ts';

const SEED = 20_261_128;
/** Share of the steps that both tabs take in one moment. */
const AT_ONCE = 0.3;
const LOADS = ['Kettle', 'Fridge', 'Bandsaw', 'Tool charger', 'Glue pot', 'Induction hob'];

test('two tabs that edit one rig at random for 30 steps lose nothing in silence', async ({
  page,
  context,
}) => {
  test.slow();
  const next = randomNumbers(SEED);
  const tabs = [new TogetherPage(page), new TogetherPage(await context.newPage())];
  for (const tab of tabs) await tab.open();
  await tabs[0]!.saved();
  const met: string[] = [];
  for (const tab of tabs) tab.page.on('pageerror', (error) => met.push(error.message));
  const conflict = (tab: TogetherPage) =>
    tab.page.getByText('Another tab changed this rig at the same time.');
  let conflicts = 0;
  for (let step = 0; step < 30; step += 1) {
    // Now and then in both at once, so that their saves meet.
    const busy = next() < AT_ONCE ? tabs : [oneOf(tabs, next)];
    await Promise.all(busy.map((tab) => clickLoad(tab, oneOf(LOADS, next))));
    for (const each of tabs) {
      if (!(await conflict(each).isVisible())) continue;
      const way = oneOf(['Go on with the other tab’s version', 'Keep mine as a copy'], next);
      await each.page.getByRole('button', { name: way }).click();
      await expect(conflict(each)).toBeHidden();
      conflicts += 1;
    }
  }
  for (const tab of tabs) await tab.saved();
  expect(met).toEqual([]);
  expect(conflicts).toBeGreaterThan(0);
  const rows = await new StoragePage(page).rows();
  for (const tab of tabs) {
    const ticked = await tab.page.getByRole('checkbox', { checked: true }).count();
    const name = (await tab.page.getByRole('button', { name: /^Rig:/ }).innerText())
      .replace(/^Rig:\s*/, '')
      .trim();
    const kept = rows.filter((row) => row.name === name).map((row) => row.document.scenes[0]!.on.length);
    expect(kept, `${name} as this tab shows it`).toContain(ticked);
  }
});

test('a browser killed in the middle of saving has a whole rig afterwards, with its last saved work', async ({
  baseURL,
  launchOptions,
}) => {
  test.slow();
  const folder = mkdtempSync(join(tmpdir(), 'heliarch-profile-'));
  const next = randomNumbers(SEED);
  const open = async () => {
    const context = await chromium.launchPersistentContext(folder, {
      ...launchOptions,
      ...(baseURL && { baseURL }),
      serviceWorkers: 'block',
    });
    const page = context.pages()[0] ?? (await context.newPage());
    await page.goto('/');
    return { context, together: new TogetherPage(page), storage: new StoragePage(page) };
  };
  let seen = 0;
  for (let time = 0; time < 3; time += 1) {
    const { context, together, storage } = await open();
    await expect(together.load('Kettle'), `after ${time} kills, revision ${seen}`).toBeVisible();
    await expect(together.page.getByRole('alert')).toHaveCount(0);
    await together.saved();
    const { revision } = (await storage.rows())[0]!;
    expect(revision).toBeGreaterThanOrEqual(seen);
    seen = revision;
    await together.page.evaluate(() => {
      const boxes = [...document.querySelectorAll<HTMLInputElement>('main input[type=checkbox]')];
      setInterval(() => boxes[Math.floor(Math.random() * boxes.length)]?.click(), 2);
    });
    // A machine that stands still for a moment saves nothing: it is killed among saves, not before the first.
    await expect.poll(async () => (await storage.rows())[0]!.revision).toBeGreaterThan(revision);
    await together.page.waitForTimeout(600 * next());
    killAllOf(folder);
    await context.close().catch(() => undefined);
  }
  expect(seen).toBeGreaterThan(1);
  rmSync(folder, { recursive: true, force: true });
});

/** In the page itself, without the waiting of a test. */
async function clickLoad(tab: TogetherPage, name: string): Promise<void> {
  await tab.page.evaluate((name) => {
    [...document.querySelectorAll('label')].find((each) => each.textContent.trim() === name)?.click();
  }, name);
}

/** Ends every process of the browser with that profile at once, without a chance to tidy up. */
function killAllOf(folder: string): void {
  for (const id of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      if (readFileSync(`/proc/${id}/cmdline`, 'utf8').includes(folder)) process.kill(Number(id), 'SIGKILL');
    } catch {
      // A process that is gone by now needs no ending.
    }
  }
}
