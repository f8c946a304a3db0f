import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { TogetherPage } from './together-page.ts';

test.describe('can these run together?', () => {
  test('the demo opens on a set that holds in one order only, and says what the hand does', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    await expect(page.getByRole('button', { name: 'Rig: Tern' })).toBeVisible();
    await expect(together.headline).toHaveText(/Holds\s+in this order only/);
    await expect(together.answer).toContainText(
      'Switch the dust extractor off before you restart the bandsaw.',
    );
    const rows = together.ladder.getByRole('listitem');
    await expect(rows.nth(0)).toContainText(/Restart, bandsaw, 5.s\s*114 %\s*634 VA over/);
    await expect(rows.nth(1)).toContainText(/Start, dust extractor, 5.s\s*96 %\s*181 VA/);
    await expect(
      page.getByRole('img', { name: /Start staircase\. 1: Bandsaw starts with 4,230 VA/ }),
    ).toBeVisible();
    await expect(page.getByText('Planning: nothing is switched')).toBeVisible();
    await expect(together.ladder).toContainText('Not checked yet: battery current and its protection');
  });

  test('a tick or two reaches every verdict, each with its limit, its margin and its reason', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();

    await together.load('Dust extractor').uncheck();
    await expect(together.headline).toHaveText(/^\s*Holds\s*$/);
    await expect(together.answer).toContainText(/With at least 570.VA to spare\./);

    await together.tickOnly('Dust extractor', 'Fridge', 'Glue pot', 'Laptop and router', 'Kettle');
    await expect(together.headline).toHaveText(/^\s*Tight\s*$/);
    await expect(together.answer).toContainText(
      /48.W spare as entered, 143.W over if the doubts go against you\./,
    );
    await expect(together.answer).toContainText(/1,420.W for the kettle is a nameplate figure/);

    await together.load('Induction hob').check();
    await expect(together.headline).toHaveText(/Trips\s+within 60 s/);
    await expect(together.answer).toContainText('once the induction hob is on');
    await expect(together.answer).toContainText(
      'The inverter shuts down; it is reset at its own switch under the bench.',
    );
    await expect(together.ladder.getByRole('listitem').first()).toContainText(/Inverter running, W.*W over/);
  });

  test('the supply decides: shore carries what the battery does not, and feeds what the battery cannot', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    await expect(page.getByText('not on this supply: nothing feeds Water')).toBeVisible();
    await together.tickOnly('Water heater');
    await expect(together.headline).toHaveText(/Nothing is fed/);

    await together.supply('Shore 30 A');
    await expect(together.headline).toHaveText(/Holds/);
    await expect(page.getByText('not on this supply')).toHaveCount(0);
    await expect(together.ladder).toContainText('the transfer relay');
    await together.load('Kettle').check();
    await together.load('Induction hob').check();
    await expect(together.headline).toHaveText(/Tight/);
    await expect(together.answer).toContainText(/the Shore 30.A breaker carries 30.A/);
  });

  test('a corrected number moves the verdict, and how it is known moves it too', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.tickOnly('Dust extractor', 'Fridge', 'Glue pot', 'Laptop and router', 'Kettle');
    await expect(together.headline).toHaveText(/Tight/);

    const kettle = await together.openNumbers('Kettle');
    const running = kettle.getByRole('textbox', { name: 'Running' });
    await expect(running).toBeFocused();
    await running.fill('1,300');
    await expect(together.headline).toHaveText(/Tight/);
    await kettle.getByRole('radio', { name: 'measured' }).check();
    await expect(kettle).toContainText('= 1,261 to 1,339 W, measured');
    await expect(together.headline).toHaveText(/Holds/);

    await running.fill('13oo');
    await expect(kettle).toContainText('Running must be a number of W, such as 1,300 W');
    await running.fill('-4');
    await expect(kettle).toContainText('Running must be a number of W from 0 to 100000; found -4');
    await expect(together.headline).toHaveText(/Holds/);
    await page.keyboard.press('Escape');
    await expect(kettle).toHaveCount(0);
    await expect(together.load('Kettle')).toBeFocused();

    const saw = await together.openNumbers('Bandsaw');
    await saw.getByRole('textbox', { name: 'Lasts' }).fill('0.4');
    await together.load('Bandsaw').check();
    await expect(together.ladder).toContainText(/tart, bandsaw, 0\.5.s/);
  });
});

test.describe('nothing is lost', () => {
  test('ticks, supply and corrections are there after a reload', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.tickOnly('Kettle', 'Fridge');
    await together.supply('Shore 30 A');
    const fridge = await together.openNumbers('Fridge');
    await fridge.getByRole('textbox', { name: 'Kick' }).fill('777');
    await together.saved();
    const before = await together.answer.innerText();

    await page.reload();
    await expect(together.load('Kettle')).toBeChecked();
    await expect(together.load('Bandsaw')).not.toBeChecked();
    await expect(page.getByRole('radio', { name: 'Shore 30 A' })).toBeChecked();
    await expect(page.getByRole('button', { name: 'Correct the numbers of Fridge' })).toContainText('777');
    expect(await together.answer.innerText()).toBe(before);
  });

  test('a rig goes to a file and comes back the same, and the rig before can be put back', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.load('Tool charger').check();
    const downloading = page.waitForEvent('download');
    await together.menu('Save Tern to a file');
    const download = await downloading;
    expect(download.suggestedFilename()).toBe('tern.heliarch.json');
    const path = await download.path();
    expect(JSON.parse(readFileSync(path, 'utf8')).scenes[0].on).toContainEqual({ load: 'tool-charger' });

    await together.tickOnly('Kettle');
    await together.chooseFile(path);
    await expect(page.getByText(/Opened Tern from/)).toBeVisible();
    await expect(together.load('Tool charger')).toBeChecked();
    await page.getByRole('button', { name: 'Put Tern back as it was' }).click();
    await expect(together.load('Tool charger')).not.toBeChecked();
    await expect(together.load('Kettle')).toBeChecked();
  });

  test('a bad file changes nothing and says why', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    const before = await together.answer.innerText();
    const tern = JSON.parse(readFileSync(new URL('../../demo/tern.json', import.meta.url), 'utf8'));
    tern.loads[0].parts[0].runningW.value = -5;
    const file = (text: string) => ({
      name: 'bad.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    });

    await together.chooseFile(file(JSON.stringify(tern)));
    await expect(page.getByText('bad.json was not opened; nothing has changed.')).toBeVisible();
    await expect(
      page.getByText('Load "Bandsaw", running power: must be a number of W from 0 to 100000; found -5.'),
    ).toBeVisible();
    await together.chooseFile(file('not a rig'));
    await expect(page.getByText('The file is not JSON')).toBeVisible();
    expect(await together.answer.innerText()).toBe(before);
    await page.reload();
    await expect(together.answer).toContainText('Switch the dust extractor off');
  });
});
