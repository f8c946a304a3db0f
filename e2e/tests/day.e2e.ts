import { expect, test, type Locator, type Page } from '@playwright/test';
import { TogetherPage } from './together-page.ts';

/** The room as a person meets it. */
class DayPage {
  constructor(readonly page: Page) {}

  async open(): Promise<void> {
    await new TogetherPage(this.page).open();
    await this.page.getByRole('link', { name: 'Day', exact: true }).click();
    await expect(this.page.getByRole('heading', { name: 'Ribs and varnish' })).toBeVisible();
  }

  async plan(): Promise<void> {
    await this.page.getByRole('button', { name: 'Plan the day' }).click();
    await expect(this.aside).toContainText('14 of 15 placed');
    await expect(this.aside).toContainText('Hot water cannot be placed');
  }

  get aside(): Locator {
    return this.page.getByRole('complementary', { name: 'The plan' });
  }

  bar(job: string): Locator {
    return this.page.getByRole('button', { name: new RegExp(`^${job}, \\d\\d:\\d\\d to`) });
  }

  row(job: string): Locator {
    return this.aside.getByRole('button', { name: new RegExp(`^${job}\\s`) });
  }
}

test.describe('a day', () => {
  test('is planned in one step, says what it comes to and why one job has no place, and is one step back', async ({
    page,
  }) => {
    const day = new DayPage(page);
    await day.open();
    await expect(day.aside).toContainText('Not planned yet');
    await day.plan();
    await expect(day.aside).toContainText('Lasts');
    await expect(day.aside).toContainText('the battery does not feed it');
    await expect(day.aside).toContainText('Connect Shore 30 A in its window, with charging off meanwhile.');
    await expect(day.bar('Saw the ribs')).toHaveAccessibleName(/09:00 to 10:30/);
    await expect(page.getByRole('img', { name: /^Charge falls to \d+ % at/ })).toBeVisible();
    await page.getByRole('button', { name: /^Undo/ }).click();
    await expect(day.aside).toContainText('Not planned yet');
  });

  test('is changed from the keyboard: what then does not hold is said, with the nearest moment that does', async ({
    page,
  }) => {
    const day = new DayPage(page);
    await day.open();
    await day.plan();
    const oven = day.bar('Supper, oven');
    const before = (await oven.getAttribute('aria-label'))!.slice(0, 27);
    await oven.focus();
    for (let step = 0; step < 11; step += 1) await page.keyboard.press('Shift+ArrowLeft');
    await expect(oven).toHaveAccessibleName(/^Supper, oven, 12:00 to 12:45, pinned/);
    await expect(day.aside).toContainText('Supper, oven at 12:00: outside its window');
    await expect(day.aside).toContainText('Supper, oven at 12:00: only tight');
    await day.aside.getByRole('button', { name: 'Try it' }).click();
    await expect(day.aside).not.toContainText('only tight');
    await expect(oven).toHaveAccessibleName(new RegExp(`^${before}`));
    await page.reload();
    await expect(oven).toHaveAccessibleName(/pinned/);
  });

  test('has jobs that are added, changed and taken out, and a bar that is dragged', async ({ page }) => {
    const day = new DayPage(page);
    await day.open();
    await day.plan();
    const box = (await day.bar('Tea').boundingBox())!;
    await page.mouse.move(box.x + 2, box.y + 6);
    await page.mouse.down();
    await page.mouse.move(box.x + 20, box.y + 6, { steps: 4 });
    await page.mouse.move(box.x + 30, box.y + 6, { steps: 4 });
    await page.mouse.up();
    await expect(day.bar('Tea')).toHaveAccessibleName(/^Tea, 16:\d\d to 16:\d\d, pinned/);

    await day.aside.getByRole('button', { name: 'add' }).click();
    await page.getByRole('menuitem', { name: 'Dust extractor' }).click();
    await expect(page.getByRole('dialog', { name: 'Dust extractor' })).toBeVisible();
    const sheet = page.getByRole('dialog');
    await sheet.getByLabel('Name').fill('Sweep up');
    await sheet.getByLabel('Name').press('Tab');
    await expect(page.getByRole('dialog', { name: 'Sweep up' })).toBeVisible();
    await sheet.getByRole('button', { name: 'Close' }).click();
    await expect(day.row('Sweep up')).toContainText('not placed');
    await page.getByRole('button', { name: 'Plan the day' }).click();
    await expect(day.aside).toContainText('15 of 16 placed');
    await expect(day.bar('Tea')).toHaveAccessibleName(/^Tea, 16:\d\d to 16:\d\d, pinned/);
    await day.row('Saw the ribs').click();
    await page.getByRole('button', { name: 'what runs then, in Together' }).click();
    const together = new TogetherPage(page);
    await expect(together.load('Bandsaw')).toBeChecked();
    await expect(together.load('Kettle')).not.toBeChecked();
    await expect(together.headline).toHaveText(/Holds/);
    await page.getByRole('link', { name: 'Day', exact: true }).click();
    await day.row('Sweep up').click();
    await page.getByRole('button', { name: 'Remove this job' }).click();
    await expect(day.row('Sweep up')).toHaveCount(0);
  });

  test('of every demo rig is planned, over three days with a generator too', async ({ page }) => {
    const day = new DayPage(page);
    await day.open();
    for (const [rig, name] of [
      ['Puffin', 'A night on 6 A'],
      ['Lathe House', 'Three grey days'],
    ] as const) {
      await new TogetherPage(page).menu(`Add the demo rig ${rig}`);
      await page.getByRole('link', { name: 'Day', exact: true }).click();
      await expect(page.getByRole('heading', { name })).toBeVisible();
      await page.getByRole('button', { name: 'Plan the day' }).click();
      await expect(day.aside).toContainText(/\d+ of 10 placed/, { timeout: 120_000 });
      await expect(day.aside).toContainText('cannot be placed, not even alone');
    }
    await expect(day.aside).toContainText(/Generator [1-9]\d* min/);
  });
});
