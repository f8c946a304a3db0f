import { expect, test, type Locator, type Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
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
    // The jobs stand below what the plan needs, which comes once it is judged.
    await expect(day.aside.getByRole('heading', { name: 'Needs you' })).toBeVisible();
    await day.row('Sweep up').click();
    await page.getByRole('button', { name: 'Remove this job' }).click();
    await expect(day.row('Sweep up')).toHaveCount(0);
  });

  test('is read further: the night, costs, one surprise, how good it is, and beside a copy of itself', async ({
    page,
  }) => {
    const day = new DayPage(page);
    await day.open();
    await day.plan();
    const review = page.locator('heli-plan-review');
    await expect(review).toContainText('Lasts until 07:00');
    await expect(review).toContainText(/Left for breakfast: \d.\d kWh above the reserve/);
    await expect(review).toContainText('Off with it: fridge.');
    await expect(day.aside).toContainText(
      /Unplug from \d\d:\d\d to \d\d:\d\d: what is planned then uses \d+ Wh of it/,
    );
    await review.getByRole('radio', { name: 'Energy and costs' }).check();
    await expect(review).toContainText(/Shore 30 A:\s*9\.\d kWh, 2\.\d\d USD/);
    const costs = review.getByRole('table', { name: 'What each load takes and costs' });
    await expect(costs.getByRole('row', { name: /^Water heater/ })).toContainText('not fed');
    await review.getByRole('radio', { name: 'One surprise' }).check();
    await expect(review).toContainText(/it does no harm for 13 h 25 min of 24 h/);
    await review.getByRole('radio', { name: 'How good it is' }).check();
    const proof = review.getByRole('table', { name: 'This plan beside the best possible' });
    await expect(proof.getByRole('row', { name: /^Musts/ })).toContainText('the best there is');
    await review.getByRole('radio', { name: 'Beside another day' }).check();
    await review.getByRole('button', { name: 'Copy this day' }).click();
    await expect(page.getByRole('heading', { name: 'Ribs and varnish 2' })).toBeVisible();
    await expect(review.getByRole('row', { name: /^Placed/ })).toContainText('14 of 1514 of 15');
  });

  test('is taken along as a calendar and as tables', async ({ page }) => {
    const day = new DayPage(page);
    await day.open();
    await day.plan();
    const taken = async (as: string): Promise<string> => {
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Take it along …' }).click();
      await page.getByRole('menuitem', { name: as }).click();
      return readFile(await (await download).path(), 'utf8');
    };
    expect(await taken('Calendar')).toContain('SUMMARY:Saw the ribs');
    await expect(page.getByText('Not in the calendar, for it has no place: Hot water.')).toBeVisible();
    expect(await taken('The plan as a table')).toMatch(/^Tea,Kettle,1,15:30,15:35,5/m);
    expect((await taken('Minute by minute')).trim().split('\r\n').length).toBe(1441);
  });

  test('has jobs whose length is worked out, changed on the bar, and which are split', async ({ page }) => {
    const day = new DayPage(page);
    await day.open();
    await day.plan();
    await day.row('Tea').click();
    const sheet = page.getByRole('dialog', { name: 'Tea' });
    await sheet.getByRole('button', { name: 'How long does it take to heat?' }).click();
    await sheet.getByLabel('How much').fill('2');
    await sheet.getByRole('button', { name: 'Take 11 min' }).click();
    await expect(sheet.getByLabel('Minutes it takes')).toHaveValue('11');
    await sheet.getByRole('button', { name: 'Close' }).click();
    await expect(day.bar('Tea')).toHaveAccessibleName(/^Tea, 15:30 to 15:45/);
    await day.bar('Charge the tools').focus();
    await page.keyboard.press('-');
    await expect(day.bar('Charge the tools')).toHaveAccessibleName(/08:00 to 09:55, pinned/);
    await day.row('Charge the tools').click();
    await page.getByRole('dialog').getByRole('button', { name: 'in two halves' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await expect(day.bar('Charge the tools')).toHaveCount(2);
    const night = page.locator('heli-plan-review').getByRole('button', { name: 'Other times' });
    await night.click();
    await page.getByRole('dialog').getByLabel('Night until').fill('06:30');
    await page.keyboard.press('Tab');
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
    await expect(page.locator('heli-plan-review')).toContainText('Lasts until 06:30');
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
      if (rig === 'Puffin') await expect(day.aside).toContainText('Needs you');
    }
    await expect(day.aside).toContainText(/Generator [1-9]\d* min/);
  });
});
