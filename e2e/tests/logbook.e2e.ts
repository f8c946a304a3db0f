import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { goToRoom } from './rooms.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

/** The logbook as a person meets it, by what is written on the screen. */
class LogbookPage {
  constructor(readonly page: Page) {}

  async open(): Promise<void> {
    await this.page.clock.setFixedTime('2026-06-12T14:00:00Z');
    await this.page.goto('/logbook');
    await expect(this.page.getByRole('button', { name: /Does the battery carry/ })).toBeVisible();
  }

  get test() {
    return this.page.getByRole('region', { name: 'Test', exact: true });
  }

  get gives() {
    return this.page.getByRole('complementary', { name: 'What it gives the rig' });
  }

  /** A reading at a time of the day, in the fields as they are named. */
  async read(time: string, values: Readonly<Record<string, string>>, role?: string): Promise<void> {
    const entry = this.page.getByRole('region', { name: 'Next reading' });
    if (role) await entry.getByRole('radio', { name: role }).check();
    await entry.getByLabel('Read at').fill(`2026-06-12T${time}`);
    for (const [name, value] of Object.entries(values))
      await entry.getByRole('textbox', { name }).fill(value);
    await entry.getByRole('button', { name: 'Add reading' }).click();
    await expect(entry.getByRole('textbox', { name: Object.keys(values)[0]! })).toHaveValue('');
  }
}

test.describe('the logbook, on a phone', () => {
  test.use(PHONE);

  test('takes a run-down with one reset, says when it ends, and what it measured changes a verdict once it is used', async ({
    page,
  }) => {
    const log = new LogbookPage(page);
    await log.open();
    await page.getByRole('button', { name: 'New test' }).tap();
    const begin = page.getByRole('dialog', { name: 'A new test' });
    await begin.getByRole('button', { name: 'Begin the test' }).tap();
    await expect(begin.getByRole('alert')).toContainText('Choose the load');
    await begin.getByRole('combobox', { name: 'Load' }).tap();
    await page.getByRole('option', { name: 'Dust extractor' }).tap();
    await begin.getByRole('button', { name: 'Begin the test' }).tap();

    await expect(log.test).toContainText('Two readings of the charge');
    await log.read('07:50', { 'Watts, meter': '80' }, 'Base before');
    await log.read('08:00', { 'Watts, meter': '985', 'Charge as shown': '96' }, 'With the load');
    await log.read('09:00', { 'Watts, meter': '978', 'Charge as shown': '86' });
    await log.read('10:00', { 'Watts, meter': '982', 'Charge as shown': '75' });
    await expect(log.test.getByRole('heading', { level: 2 })).toContainText('Lasts until');
    // The display has lost its power and begins anew at full.
    await log.read('11:30', { 'Watts, meter': '979', 'Charge as shown': '95' });
    await log.read('13:00', { 'Watts, meter': '981', 'Charge as shown': '79' });
    await expect(log.test).toContainText('The display began anew before 11:30');
    await expect(log.test.getByRole('heading', { level: 2 })).toHaveText(/Lasts until 15:\d\d, between/);
    await expect(log.test).toContainText('The next reading helps most at about');

    // A page that is closed at once has lost nothing.
    await log.read('13:30', { 'Watts, meter': '980', 'Charge as shown': '74' });
    await page.reload();
    await page.getByRole('button', { name: /Dust extractor: How long/ }).tap();
    await log.test.getByRole('radio', { name: 'Table' }).check();
    const readings = log.test.getByRole('table', { name: 'Readings' }).getByRole('row');
    await expect(readings.filter({ hasText: '13:30' })).toContainText('74');
    await expect(readings.last()).toHaveText(/^\s*counts\sas\s3\d\.\d\s%/);

    await log.read('13:50', { 'Watts, meter': '81' }, 'Base after');
    await expect(log.gives.getByText('Provisional')).toHaveCount(0);
    const changed = log.gives.getByRole('list', { name: 'Verdicts that change' });
    await expect(changed).toContainText('Dust extractor and Water heater, Shore 15 A, shared');
    await log.gives.getByRole('button', { name: 'Use this' }).first().tap();
    await expect(log.gives).toContainText('Used: the rig has it.');
    await goToRoom(page, 'Loads');
    const row = page.getByRole('row', { name: /Dust extractor/ });
    await expect(row).toContainText('900');
    await page.getByRole('button', { name: /Undo/ }).tap();
    await expect(row).toContainText('820');
  });

  test('has the trips of Now, replayed against the check', async ({ page }) => {
    const log = new LogbookPage(page);
    await page.clock.setFixedTime('2026-06-12T14:00:00Z');
    await page.goto('/now');
    await page.getByRole('button', { name: 'Bench work' }).tap();
    await page.getByRole('button', { name: 'It went dark' }).tap();
    await page.getByRole('radio', { name: 'After seconds' }).check();
    await page.getByRole('button', { name: 'I leave it off' }).tap();
    await page.getByRole('link', { name: 'Logbook' }).tap();
    await page.getByRole('button', { name: /All went dark/ }).tap();
    await expect(log.test.getByRole('heading', { level: 2 })).toContainText('explained');
  });
});

test.describe('the logbook', () => {
  test('reads the log of a meter in, its columns matched, and finds the cycles', async ({ page }) => {
    const log = new LogbookPage(page);
    await log.open();
    await page.getByRole('button', { name: 'Bring in a log' }).click();
    const dialog = page.getByRole('dialog', { name: 'Bring in a log' });
    const line = (minute: number) => {
      const clock = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
      return `11.06.2026 ${clock};${minute % 50 < 20 ? '91,5' : '1,5'};21`;
    };
    const lines = Array.from({ length: 400 }, (_, minute) => line(minute));
    await dialog.locator('input[type=file]').setInputFiles({
      name: 'fridge.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(['Zeit;Leistung (W);Geheim', ...lines, 'kaputt;1;1'].join('\n')),
    });
    await expect(dialog.getByRole('status')).toContainText('400 lines');
    await expect(dialog.getByRole('status')).toContainText('One line cannot be read in full');
    await dialog.getByRole('combobox', { name: 'Load', exact: true }).click();
    await page.getByRole('option', { name: 'Fridge' }).click();
    await dialog.getByRole('button', { name: 'Read it in' }).click();
    await expect(log.test.getByRole('heading', { level: 2 })).toContainText('Runs 40 % of the time');
    await expect(log.gives).toContainText('Fridge, share of the time it runs');
  });

  test('keeps what was spoiled and never counts it; a change is taken back; all of it is in the file of the rig', async ({
    page,
  }) => {
    const log = new LogbookPage(page);
    await log.open();
    await page.getByRole('searchbox', { name: 'Search the tests' }).fill('compressor');
    await expect(page.getByRole('button', { name: /Does the battery carry/ })).toHaveCount(0);
    await page.getByRole('button', { name: /Air compressor: how large/ }).click();
    await expect(log.gives.getByRole('list').last()).toContainText('Spoiled: before and after differ');
    await expect(log.gives).toContainText('No number of the rig yet.');
    await log.test.getByRole('radio', { name: 'Table' }).check();
    await log.test
      .getByRole('button', { name: /^Change the reading of/ })
      .last()
      .click();
    await log.test.getByRole('button', { name: 'something else switched' }).click();
    await expect(log.test).toContainText('Spoiled: something else switched. It does not count.');
    await expect(log.gives).toContainText('Air compressor, start');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(log.gives).toContainText('No number of the rig yet.');
    await log.test.getByRole('button', { name: 'Take the test out' }).click();
    await expect(page.getByRole('button', { name: /Air compressor: how large/ })).toHaveCount(0);

    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: /^Rig:/ }).click();
    await page.getByRole('menuitem', { name: /Save .*to a file/ }).click();
    const saved = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as {
      logbook: { id: string }[];
    };
    expect(saved.logbook.map(({ id }) => id).sort()).toEqual(['extractor-until-evening', 'fridge-cycles']);
  });

  test('puts several tests of one number together, says that it moves, and gives them to the rig', async ({
    page,
  }) => {
    const log = new LogbookPage(page);
    await log.open();
    await page.getByRole('button', { name: /^Rig:/ }).click();
    await page.getByRole('menuitem', { name: 'Add the demo rig Lathe House' }).click();
    await expect(page.getByRole('button', { name: /Table saw, start, June/ })).toBeVisible();
    await expect(log.test.getByRole('heading', { level: 2 })).toContainText('Starts with');
    await page.getByRole('button', { name: 'Compare' }).click();
    const saw = page.getByRole('dialog').getByRole('region', { name: 'Table saw, start' });
    await expect(saw).toContainText('It moves: up');
    await saw.getByRole('button', { name: 'Use them together' }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: /^Undo/ })).toBeEnabled();
    await expect(page.getByText('used in the rig')).toBeVisible();
  });
});
