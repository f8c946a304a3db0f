import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { TogetherPage } from './together-page.ts';
import { goToRoom } from './rooms.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

interface Named {
  name?: string;
}

/** Tern with every name as long as the file allows, in one word. */
function ternWithLongNames(): string {
  const rig = JSON.parse(readFileSync(new URL('../../demo/tern.json', import.meta.url), 'utf8')) as Record<
    string,
    unknown
  >;
  const long = (entry: Named, index: number): void => {
    entry.name = `Long${'w'.repeat(1900)}${index}`;
  };
  rig['name'] = `Rig${'w'.repeat(1900)}`;
  for (const list of Object.values(rig)) if (Array.isArray(list)) (list as Named[]).forEach(long);
  for (const load of rig['loads'] as { parts: Named[]; states?: Named[] }[]) {
    load.parts.forEach(long);
    load.states?.forEach(long);
  }
  return JSON.stringify(rig);
}

for (const [where, size] of [
  ['a desk', { width: 1280, height: 800 }],
  ['a phone', PHONE.viewport],
  ['the narrowest phone', { width: 320, height: 568 }],
] as const)
  test(`names as long as they may be widen no page on ${where}`, async ({ page }) => {
    test.slow();
    await page.setViewportSize(size);
    const together = new TogetherPage(page);
    await together.open();
    const buffer = Buffer.from(ternWithLongNames());
    await together.chooseFile({ name: 'long.json', mimeType: 'application/json', buffer });
    await expect(page.getByText(/^Opened Rigw+ from long\.json/)).toBeVisible();
    const width = () => page.evaluate(() => document.documentElement.scrollWidth);
    for (const room of ['Together', 'Loads', 'Day', 'Now', 'Logbook', 'Card', 'Rig']) {
      await goToRoom(page, room);
      await expect(page.locator('main h1').first()).toBeVisible({ timeout: 90_000 });
      await page.waitForTimeout(300);
      expect(await width(), room).toBe(size.width);
    }
    await page.getByRole('tab', { name: 'Supplies' }).click();
    await page.waitForTimeout(300);
    expect(await width(), 'Supplies').toBe(size.width);
    await page.getByRole('button', { name: /^Rig:/ }).click();
    expect(await width(), 'the menu').toBe(size.width);
  });

test.describe('on a slow phone', () => {
  test.use(PHONE);

  for (const path of ['/together', '/loads', '/rig', '/now'])
    test(`${path} comes up with next to no shift of what is there already (CLS below 0.1, web.dev)`, async ({
      page,
      context,
    }) => {
      const devtools = await context.newCDPSession(page);
      await devtools.send('Emulation.setCPUThrottlingRate', { rate: 4 });
      await devtools.send('Network.enable');
      await devtools.send('Network.emulateNetworkConditions', {
        offline: false,
        latency: 150,
        downloadThroughput: 200_000,
        uploadThroughput: 90_000,
      });
      await page.addInitScript(() => {
        const kept = window as unknown as { shift: number; shifted: string[] };
        kept.shift = 0;
        kept.shifted = [];
        new PerformanceObserver((list) => {
          for (const entry of list.getEntries() as Shift[]) {
            kept.shift += entry.value;
            kept.shifted.push(...entry.sources.map(({ node }) => node?.outerHTML.slice(0, MOST_SHOWN) ?? ''));
          }
        }).observe({ type: 'layout-shift', buffered: true });
        const MOST_SHOWN = 90;
      });
      await page.goto(path);
      await expect(page.locator('main h1').first()).toBeVisible({ timeout: 90_000 });
      // What comes later comes over the line, and moves things as it is drawn.
      await page.waitForLoadState('networkidle');
      await page.waitForTimeout(2000);
      const { shift, shifted } = await page.evaluate(() => {
        const { shift, shifted } = window as unknown as { shift: number; shifted: string[] };
        return { shift, shifted };
      });
      expect(shift, shifted.join('\n')).toBeLessThan(0.1);
    });
});

interface Shift extends PerformanceEntry {
  readonly value: number;
  readonly sources: readonly { readonly node?: Element }[];
}
