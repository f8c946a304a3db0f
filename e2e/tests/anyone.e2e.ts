import { expect, test } from '@playwright/test';
import { DescribePage } from './describe-page.ts';
import { TogetherPage } from './together-page.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

test('what opens and closes does so hundreds of times, however fast, and leaves nothing behind', async ({
  page,
}) => {
  test.slow();
  const defects: string[] = [];
  page.on('pageerror', (error) => defects.push(error.message));
  const describe = new DescribePage(page);
  await new TogetherPage(page).open();
  await describe.goTo('Loads');
  const kind = page.getByRole('combobox', { name: 'Made of' });
  await expect(kind).toBeVisible();
  for (let round = 0; round < 60; round += 1) {
    const other = round % 2 === 0 ? 'Kettle' : 'Bandsaw';
    await page.evaluate((name) => {
      const press = (target: EventTarget | null | undefined, key: string): void => {
        target?.dispatchEvent(new KeyboardEvent('keydown', { key, code: key, bubbles: true }));
      };
      const box = document.querySelector<HTMLElement>('input[role=combobox]');
      box?.focus();
      box?.closest<HTMLElement>('nz-select')?.click();
      press(document, 'Escape');
      press(document.body, 'Escape');
      box?.closest<HTMLElement>('nz-select')?.click();
      // What the open list belongs to goes while it is open.
      [...document.querySelectorAll('button')].find((button) => button.textContent.trim() === name)?.click();
      document.dispatchEvent(new KeyboardEvent('keydown', { key: 'k', ctrlKey: true, bubbles: true }));
      press(document.activeElement, 'Escape');
    }, other);
    if (round % 20 === 19) await page.keyboard.press('Escape');
  }
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Kettle', exact: true }).click();
  await expect(page.getByRole('listbox')).toHaveCount(0);
  await expect(kind).toHaveValue('kettle, oven or coil');
  expect(defects).toEqual([]);
});

test.describe('on the phone', () => {
  test.use(PHONE);

  test('the verdict stays in view over the list, nothing sticks out, targets fit a thumb', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    const width = () => page.evaluate(() => document.documentElement.scrollWidth);
    expect(await width()).toBe(390);
    await page.setViewportSize({ width: 320, height: 568 });
    await expect.poll(width).toBe(320);
    // five supplies, and a longer name
    await together.menu('Add the demo rig Marram');
    await expect(together.load('Front air conditioner')).toBeVisible();
    expect(await width()).toBe(320);
    await page.setViewportSize(PHONE.viewport);
    expect(await width()).toBe(390);
    await together.menu('Go to Tern');
    await expect(together.load('Kettle')).toBeVisible();
    await together.load('Kettle').check();
    await together.load('Convection oven').check();
    await expect(together.headline).toBeInViewport();
    await expect(together.headline).toHaveText(/Trips/);
    const height = await page
      .getByRole('button', { name: 'Correct the numbers of Kettle' })
      .evaluate((element) => element.getBoundingClientRect().height);
    expect(height).toBeGreaterThanOrEqual(44);

    await expect(together.ladder).toBeHidden();
    await page.getByRole('radio', { name: 'Limits' }).check();
    await expect(together.ladder).toContainText('Inverter running, W');
    await expect(together.load('Kettle')).toBeHidden();
  });

  test('Rig and Loads fit a narrow screen and a thumb', async ({ page }) => {
    const together = new TogetherPage(page);
    const describe = new DescribePage(page);
    await together.open();
    await page.setViewportSize({ width: 320, height: 568 });
    const width = () => page.evaluate(() => document.documentElement.scrollWidth);
    // Links within a sentence are as high as its lines (WCAG 2.5.8).
    const small = () =>
      page.locator('main').evaluate((main) =>
        [...main.querySelectorAll('button, select, input')]
          .filter(
            (each) =>
              each.checkVisibility({ visibilityProperty: true }) && !each.matches('p .link, li .link'),
          )
          .map((each) => ({ each, box: (each.closest('label') ?? each).getBoundingClientRect() }))
          .filter(({ box }) => box.height > 1 && box.height < 24)
          .map(({ each }) => each.outerHTML.slice(0, 120)),
      );
    await describe.goTo('Rig');
    for (const view of ['Supplies', 'Surroundings, practice, units', 'Diagram']) {
      await page.getByRole('tab', { name: view }).click();
      await expect.poll(width).toBe(320);
      expect(await small()).toEqual([]);
    }
    await describe.goTo('Loads');
    // The room is there once its first load is.
    await expect(describe.editor.getByRole('textbox', { name: 'Name of the load' })).toHaveValue('Bandsaw');
    for (const load of ['Roof air conditioner', 'Varnish cabinet']) {
      await page.getByRole('button', { name: load, exact: true }).first().click();
      await expect(describe.editor.getByRole('textbox', { name: 'Name of the load' })).toHaveValue(load);
      await expect.poll(width).toBe(320);
      expect(await small()).toEqual([]);
    }
  });
});

test('everything works from the keyboard', async ({ page }) => {
  const together = new TogetherPage(page);
  await together.open();
  await together.load('Bandsaw').focus();
  await page.keyboard.press('ArrowDown');
  await expect(together.load('Dust extractor')).toBeFocused();
  await page.keyboard.press('Space');
  await expect(together.load('Dust extractor')).toBeChecked();
  await expect(together.headline).toHaveText(/^\s*Likely trips/);
  await page.keyboard.press('Space');
  await expect(together.load('Dust extractor')).not.toBeChecked();
  await expect(together.headline).toHaveText(/^\s*Holds\s*$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Running' })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(together.load('Dust extractor')).toBeFocused();

  await page.keyboard.press('k');
  await expect(together.load('Kettle')).toBeFocused();

  await page.getByRole('radio', { name: 'On battery' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Shore 30 A' })).toBeChecked();

  await page.getByRole('button', { name: 'Before you rely on this' }).press('Enter');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});

test('a rig and its loads are described from the keyboard', async ({ page }) => {
  const together = new TogetherPage(page);
  const describe = new DescribePage(page);
  await together.open();
  await page.getByRole('link', { name: 'Rig' }).press('Enter');
  await describe.part('Battery bank').first().press('Enter');
  await expect(describe.sheet.getByRole('heading', { name: 'Battery bank' })).toBeVisible();
  const ampHours = describe.sheet.getByRole('textbox', { name: 'Amp-hours' });
  await ampHours.focus();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('300');
  await page.keyboard.press('Tab');
  await expect(
    describe.sheet.getByRole('combobox', { name: 'Amp-hours: how do you know it?' }),
  ).toBeFocused();
  await page.keyboard.type('meas');
  await expect(describe.part('Battery bank').first()).toContainText('300 Ah');

  await page.getByRole('button', { name: 'Add a part' }).press('Enter');
  await page.keyboard.type('add a circ');
  await page.keyboard.press('Enter');
  await expect(describe.sheet.getByRole('heading', { name: 'Circuit' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: add Circuit' }).press('Enter');

  await page.getByRole('link', { name: 'Loads' }).press('Enter');
  await expect(page.getByRole('heading', { name: 'Loads', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Kettle', exact: true }).press('Enter');
  await expect(describe.editor.getByRole('textbox', { name: 'Name of the load' })).toHaveValue('Kettle');
  const watts = describe.editor.getByRole('radio', { name: 'Watts' });
  await watts.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(describe.editor.getByRole('textbox', { name: 'Running amps' })).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.type('10');
  await expect(describe.editor).toContainText('= 1,200 W');
});

test('the theme is kept', async ({ page }) => {
  await new TogetherPage(page).open();
  await page.getByRole('button', { name: 'Switch to night' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Switch to day' })).toBeVisible();
});

test('nothing is asked of any other host, and the page obeys a strict policy', async ({ page, baseURL }) => {
  const outside: string[] = [];
  const complaints: string[] = [];
  page.on('request', (request) => {
    const isOwn = request.url().startsWith(baseURL ?? '') || /^(data|blob):/.test(request.url());
    if (!isOwn) outside.push(request.url());
  });
  page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
  page.on('pageerror', (error) => complaints.push(error.message));
  const together = new TogetherPage(page);
  await together.open();
  await together.supply('Shore 30 A');
  await page.getByRole('button', { name: 'Before you rely on this' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  expect(outside).toEqual([]);
  expect(complaints).toEqual([]);

  const response = await page.request.get('/');
  const policy = response.headers()['content-security-policy'];
  expect(policy).toContain("default-src 'self'");
  expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval';");
  expect(response.headers()['cache-control']).toBe('no-cache');
  const script = /src="(main-\w+\.js)"/.exec(await response.text())?.[1] ?? '';
  const hashed = await page.request.get(`/${script}`, { headers: { 'accept-encoding': 'gzip' } });
  expect(hashed.headers()['cache-control']).toContain('immutable');
  expect(hashed.headers()['content-encoding']).toBe('gzip');
  expect((await page.request.get('/no-such-file.js')).status()).toBe(404);
});
