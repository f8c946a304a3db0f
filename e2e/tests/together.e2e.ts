import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { choose } from './describe-page.ts';
import { TogetherPage } from './together-page.ts';

test.describe('can these run together?', () => {
  test('the demo opens on a set that holds, and one tick is too much for each restart of the saw', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    await expect(page.getByRole('button', { name: 'Rig: Tern' })).toBeVisible();
    await expect(together.headline).toHaveText(/^\s*Holds\s*$/);
    await expect(together.answer).toContainText(/With at least 362.VA to spare\./);
    const rows = together.ladder.getByRole('row');
    await expect(rows.nth(1)).toContainText(/Restart, bandsaw, 5.s\s*92 %\s*362 VA/);
    const starts = page.getByRole('table', { name: /Starts in order/ });
    await expect(starts.getByRole('row', { name: /^1 Bandsaw/ })).toContainText('up to 4,230 VA for 1.8 s');
    await expect(page.getByText('Planning: nothing is switched')).toBeVisible();
    await expect(together.ladder).toContainText('Not checked yet: DC cable, DC fuse, heat');
    await together.load('Glue pot').uncheck();
    await together.load('Dust extractor').check();
    await expect(together.headline).toHaveText(/Likely trips\s+at each restart of the bandsaw/);
    await expect(together.answer).toContainText(
      'Switch the dust extractor off before you restart the bandsaw.',
    );
    await expect(rows.nth(1)).toContainText(/Restart, bandsaw, 5.s\s*105 %\s*2[12]\d VA over/);
  });

  test('a tick or two reaches every verdict, each with its limit, its margin and its reason', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();

    await together.tickOnly('Dust extractor', 'Fridge', 'Glue pot', 'Laptop and router', 'Kettle');
    await expect(together.headline).toHaveText(/^\s*Tight\s*$/);
    await expect(together.answer).toContainText(
      /48.W to spare as entered, 143.W over at worst: probably holds\./,
    );
    await expect(together.answer).toContainText(/1,420.W for the kettle is a nameplate figure/);

    await together.load('Induction hob').check();
    await expect(together.headline).toHaveText(/Trips\s+within 60 s/);
    await expect(together.answer).toContainText('once the induction hob is on');
    await expect(together.answer).toContainText(
      'The inverter shuts down; it is reset at its own switch under the bench.',
    );
    await expect(together.ladder.getByRole('row').nth(1)).toContainText(/Inverter running, W.*W over/);
  });

  test('every figure opens to where it came from', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.load('Dust extractor').check();
    await together.ladder.getByRole('button', { name: 'Start, dust extractor, 5' }).first().click();
    const row = together.ladder.getByRole('row', { name: /Start, dust extractor, 5/ }).first();
    await expect(row).toContainText(/Dust extractor, start\s*2,730 VA\s*1,820 to 3,640/);
    await expect(row).toContainText(/Bandsaw\s*765 VA/);
    await expect(row).toContainText('(data sheet)');
    await together.ladder.getByRole('button', { name: 'Tools 20' }).click();
    await expect(together.ladder).toContainText('earliest and latest trip by UL 489, fitted, from memory');

    await page.getByRole('button', { name: 'Show the working' }).click();
    await expect(together.answer).toContainText(/Bandsaw, start\s*3,960.VA\s*3,841 to 4,079/);
    await page.getByRole('button', { name: /Where the start comes from: Start, dust extractor/ }).click();
    await expect(together.answer).toContainText(/Dust extractor, start\s*2,730.VA\s*1,820 to 3,640/);
    await page.getByRole('button', { name: /^Falling/ }).click();
    await expect(together.answer).toContainText(/Lost in the inverter, idle draw included\s*\d+.W/);
    await expect(together.answer).toContainText(
      /82.% less the reserve of 20.%, of 390 Ah \(rated 400 Ah.*: 242 Ah/,
    );
    const numbers = await together.openNumbers('Convection oven');
    await expect(numbers).toContainText(/Why it must wait.*Inverter/s);

    await together.load('Dust extractor').uncheck();
    await together.supply('Shore 30 A');
    await together.answer.getByRole('button', { name: 'Holds', exact: true }).click();
    await expect(together.answer).toContainText('Decided at worst, with every doubt read against you.');
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
    await expect(together.headline).toHaveText(/Tight/);
    await expect(page.getByText('not on this supply')).toHaveCount(0);
    await page.getByRole('button', { name: 'Show the working' }).click();
    await expect(together.answer).toContainText(/Charging adds up to 18\.9.A/);
    await together.load('Convection oven').check();
    await together.load('Roof air conditioner').check();
    await expect(together.headline).toHaveText(/Likely trips/);
    await expect(together.answer).toContainText(/probably trips\..* the shore cord 30.A carries 30.A/);
    await together.supply('Generator');
    await expect(page.getByText('not on this supply: you keep it off Generator')).toBeVisible();
  });

  test('a hookup shows the second verdict and what it asks of the battery', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.tickOnly('Convection oven', 'Kettle', 'Water heater');
    await together.supply('Shore 30 A');
    await expect(together.answer).toContainText(/If shore drops out\s*Likely trips/);
    await expect(together.answer).toContainText('Dark: Water heater.');
    await together.load('Water heater').uncheck();
    await together.supply('Shore 15 A, shared');
    await expect(together.answer).toContainText(/Falling [\d.]+.A, reserve in \d+.h/);

    await page.getByRole('button', { name: '82 % charged, read 10:36' }).click();
    await page.getByLabel('Charge now').fill('140');
    await page.keyboard.press('Enter');
    await expect(page.getByText('must be from 0 to 100')).toBeVisible();
    await page.getByLabel('Charge now').fill('21');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('button', { name: /21 % charged, read \d\d:\d\d/ })).toBeVisible();
    await expect(together.answer).toContainText(/reserve in \d.min/);
  });

  test('every load that is off says whether it can start, after what, or in which state', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    const row = (name: string) =>
      page.getByRole('row', { name: new RegExp(name) }).locator('xpath=following-sibling::tr[1]');
    await together.tickOnly('Convection oven', 'Laptop and router');
    await expect(row('Fridge')).toHaveText(/can start/);
    await expect(row('Kettle')).toHaveText(/likely trips, [\d.]+ W over as entered/);
    await together.load('Kettle').check();
    await expect(row('Induction hob')).toHaveText(/after the (kettle|convection oven) ends|no: /);
    await together.load('Kettle').uncheck();
    await together.load('Induction hob').check();
    await expect(together.headline).toHaveText(/Likely trips/);
    await page
      .getByRole('group', { name: 'State of Induction hob' })
      .getByRole('radio', { name: '400 W' })
      .check();
    await expect(together.headline).toHaveText(/Holds/);
    await expect(page.getByRole('button', { name: 'Correct the numbers of Induction hob' })).toContainText(
      '403',
    );
  });

  test('the order can be mine or any, and says what would settle a tight set', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.tickOnly('Induction hob', 'Dust extractor');
    await expect(together.headline).toHaveText(/Holds\s+in this order only/);
    await page.getByRole('radio', { name: 'My order' }).check();
    await expect(together.headline).toHaveText(/Tight/);
    await together.saved();
    await page.reload();
    await expect(together.headline).toHaveText(/Tight/);
    await page.getByRole('radio', { name: 'Best order' }).check();
    await together.tickOnly('Dust extractor', 'Fridge', 'Glue pot', 'Laptop and router', 'Kettle');
    await expect(together.ladder).toContainText(
      /Measure the running watts of the kettle: at 1,36\d.W or less it holds\./,
    );
  });

  test('what a load can run with is found from the load in one step, and can be ticked', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.openNumbers('Bandsaw');
    await page.getByRole('link', { name: 'What can run with it?' }).click();
    const matrix = page.getByRole('table', { name: /Each row is a load that starts/ });
    await matrix
      .getByRole('button', { name: 'Bandsaw starts while Dust extractor runs: Likely trips' })
      .click();
    const readOut = page.getByRole('status').filter({ hasText: 'starts while' });
    await expect(readOut).toContainText(/Likely trips\s+\d+ VA over as entered/);
    await expect(readOut).toContainText('Dust extractor starts while Bandsaw runs');
    await expect(page.getByText(/^\d+ in all; nothing can be added/)).toBeVisible();
    const away = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Try it/ }) });
    await expect(away.filter({ hasText: 'Connect Shore 30 A.' })).toContainText('Bandsaw');
    await matrix.getByRole('button', { name: /^Roof air conditioner starts while Bandsaw runs/ }).click();
    await expect(readOut).toContainText(/Bandsaw starts while Roof air conditioner runs\. The start of/);
    const sets = page
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: /^Tick these/ }) });
    await expect(sets.first()).toContainText('Bandsaw');
    await sets
      .first()
      .getByRole('button', { name: /^Tick these/ })
      .click();
    await expect(together.headline).toHaveText(/Holds/);
    await expect(together.load('Bandsaw')).toBeChecked();
    await expect(together.load('Dust extractor')).not.toBeChecked();
  });

  test('what makes a set fit is listed, tried in one step and taken back in one', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.load('Roof air conditioner').check();
    await expect(together.headline).toHaveText(/Trips/);
    await expect(page.getByRole('region', { name: 'The least change' })).toContainText(
      'The roof air conditioner on fan only, 140 W.',
    );
    const ways = together.ladder;
    await expect(ways).toContainText('A bigger inverter: 3,300 W');
    await expect(ways.getByRole('list', { name: 'Would not help' })).toContainText('More battery');
    await ways.getByRole('button', { name: 'Try it: Switch the roof air conditioner off' }).click();
    await expect(together.load('Roof air conditioner')).not.toBeChecked();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(together.load('Roof air conditioner')).toBeChecked();

    await ways.getByRole('button', { name: 'Try it: The roof air conditioner on fan only, 140 W' }).click();
    await expect(together.headline).toHaveText(/^\s*Holds\s*$/);
    await expect(page.getByRole('radio', { name: 'Fan only' })).toBeChecked();
  });

  test('a load that is off says what would let it join', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    const numbers = await together.openNumbers('Convection oven');
    await expect(
      numbers.getByRole('heading', { name: 'What would let the convection oven join' }),
    ).toBeVisible();
    const habit = 'Switch the convection oven off before each restart of the bandsaw';
    await expect(numbers.getByRole('listitem').first()).toContainText(habit);
    await numbers.getByRole('button', { name: /^Try it: A bigger inverter/ }).click();
    await expect(together.load('Convection oven')).toBeChecked();
    await expect(together.headline).toHaveText(/^\s*Holds\s*$/);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(together.load('Convection oven')).not.toBeChecked();
  });

  test('sizes that are enough are found for several sets, each kept by its name, also after a reload', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    await page.getByRole('radio', { name: 'What size it takes' }).check();
    const sizes = page.getByRole('table', { name: 'Sizes that are enough' });
    await expect(sizes.getByRole('row', { name: /^Inverter, for 5 s 4,800 VA/ })).toContainText('too small');
    await page.getByRole('radio', { name: 'No margin' }).check();
    await page.getByRole('checkbox', { name: 'Saw and extractor' }).uncheck();
    await expect(sizes).not.toContainText('too small');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await expect(page.getByRole('checkbox', { name: 'Bandsaw and 4 more' })).toBeChecked();

    await page.getByRole('radio', { name: 'This set' }).check();
    await together.tickOnly('Kettle', 'Convection oven');
    await page.reload();
    await page.getByRole('radio', { name: 'What size it takes' }).check();
    await page.getByRole('radio', { name: 'No margin' }).check();
    await page.getByRole('checkbox', { name: 'Saw and extractor' }).uncheck();
    const forHours = sizes.getByRole('row', { name: /^Inverter, for hours 2,600 W/ });
    await expect(forHours).toContainText('too small');
    await page.getByRole('checkbox', { name: 'This set' }).uncheck();
    await expect(forHours).toContainText(/ enough/);
    await page.getByRole('button', { name: 'Let go of Bandsaw and 4 more' }).click();
    await expect(sizes).toContainText('Tick a set that must hold.');
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
    await choose(kettle.getByRole('combobox', { name: 'Running: how do you know it?' }), 'measured');
    await expect(kettle).toContainText('= 1,261 to 1,339 W');
    await expect(together.headline).toHaveText(/Holds/);

    await running.fill('13oo');
    await expect(kettle).toContainText('Running must be a number, such as 1,300 W');
    await running.fill('-4');
    await expect(kettle).toContainText('Running must be a number of W from 0 to 100000; found -4');
    await expect(together.headline).toHaveText(/Holds/);
    await running.fill('11 A');
    await expect(kettle).toContainText('= 990 to 1,452 W');
    await running.blur();
    await expect(running).toHaveValue('1,320');
    await running.focus();
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
    await fridge.getByRole('textbox', { name: 'Start' }).fill('777');
    await together.saved();
    const before = await together.wholeAnswer();

    await page.reload();
    await expect(together.load('Kettle')).toBeChecked();
    await expect(together.load('Bandsaw')).not.toBeChecked();
    await expect(page.getByRole('radio', { name: 'Shore 30 A' })).toBeChecked();
    await expect(page.getByRole('button', { name: 'Correct the numbers of Fridge' })).toContainText('777');
    await expect.poll(() => together.wholeAnswer()).toBe(before);
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
    const question = page.getByRole('dialog', { name: 'Tern is in this browser already' });
    await expect(question).toContainText('holds another version of it');
    await question.getByRole('button', { name: 'Replace the one that is here' }).click();
    await expect(page.getByText(/Opened Tern from/)).toBeVisible();
    await expect(together.load('Tool charger')).toBeChecked();
    await page.getByRole('button', { name: 'Put Tern back as it was' }).click();
    await expect(together.load('Tool charger')).not.toBeChecked();
    await expect(together.load('Kettle')).toBeChecked();
  });

  test('a bad file changes nothing and says why', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    const before = await together.wholeAnswer();
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
    await expect.poll(() => together.wholeAnswer()).toBe(before);
    await page.reload();
    await expect(together.answer).toContainText(/With at least 362.VA to spare/);
  });

  test('a slip in the name of a field is said when the file is opened, and the field is kept', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    const tern = JSON.parse(readFileSync(new URL('../../demo/tern.json', import.meta.url), 'utf8'));
    const slip = {
      ...tern,
      id: 'slip',
      name: 'Slip',
      converters: [{ ...tern.converters[0], chargeAmps: 60 }],
    };
    const buffer = Buffer.from(JSON.stringify(slip));
    await together.chooseFile({ name: 'slip.json', mimeType: 'application/json', buffer });
    await expect(page.getByText('converters[0].chargeAmps is not a field of a rig')).toBeVisible();
    const downloading = page.waitForEvent('download');
    await together.menu('Save Slip to a file');
    expect(readFileSync(await (await downloading).path(), 'utf8')).toContain('"chargeAmps": 60');
  });

  test('every step can be undone and done again, also after a reload', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.load('Kettle').check();
    await together.supply('Shore 30 A');
    await together.saved();
    await page.reload();
    await page.getByRole('button', { name: 'Undo: choose a supply' }).click();
    await expect(page.getByRole('radio', { name: 'On battery' })).toBeChecked();
    await page.keyboard.press('Control+z');
    await expect(together.load('Kettle')).not.toBeChecked();
    await page.keyboard.press('Control+y');
    await expect(together.load('Kettle')).toBeChecked();
  });

  test('a tick taken back in the same moment is not left standing', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await expect(together.load('Kettle')).not.toBeChecked();
    await together.load('Kettle').evaluate((box: HTMLInputElement) => {
      box.click();
      box.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true }));
    });
    await together.saved();
    await expect(together.load('Kettle')).not.toBeChecked();
    await expect(page.getByRole('button', { name: 'Redo: switch the kettle on' })).toBeEnabled();
  });

  test('two tabs on one rig follow each other', async ({ page, context }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.saved();
    const other = new TogetherPage(await context.newPage());
    await other.open();
    await other.load('Kettle').check();
    await expect(together.load('Kettle')).toBeChecked();
    await together.load('Fridge').uncheck();
    await expect(other.load('Fridge')).not.toBeChecked();
  });

  test('a browser that keeps nothing is said at once, and the work goes to a file', async ({ page }) => {
    await page.addInitScript(() => {
      IDBFactory.prototype.open = () => {
        throw new DOMException('blocked', 'SecurityError');
      };
    });
    const together = new TogetherPage(page);
    await together.open();
    await expect(page.getByText('This browser keeps nothing now.')).toBeVisible();
    await together.load('Kettle').check();
    await expect(together.headline).toHaveText(/Likely trips/);
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save Tern to a file' }).click();
    const saved = JSON.parse(readFileSync(await (await downloading).path(), 'utf8'));
    expect(saved.scenes[0].on).toContainEqual({ load: 'kettle' });
    expect(saved.savedBy).toMatch(/^Heliarch \d/);
  });

  test('a defect leaves the rig and a way on', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await page.evaluate(() =>
      window.dispatchEvent(new ErrorEvent('error', { error: new Error('a planted defect') })),
    );
    await expect(page.getByRole('alert')).toContainText('a planted defect');
    const downloading = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save diagnostics' }).click();
    expect(readFileSync(await (await downloading).path(), 'utf8')).toContain('a planted defect');
    await page.getByRole('button', { name: 'Try to go on' }).click();
    await expect(together.headline).toBeVisible();
  });
});

test.describe('another rig', () => {
  test('any demo rig opens from a menu that opens every time', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    const menu = page.getByRole('button', { name: /^Rig:/ });
    for (let time = 0; time < 5; time += 1) {
      await menu.click();
      await expect(page.getByRole('menuitem', { name: 'Open a file …' })).toBeVisible();
      await page.keyboard.press('Escape');
      await expect(page.getByRole('menuitem')).toHaveCount(0);
    }
    await together.menu('Add the demo rig Marram');
    await expect(together.load('Vacuum cleaner')).toBeChecked();
    await together.saved();
    await together.menu('Go to Tern');
    await expect(together.load('Kettle')).toBeVisible();
  });

  test('what was asked of one rig is not answered about another', async ({ page }) => {
    const met: string[] = [];
    page.on('console', (message) => message.type() === 'error' && met.push(message.text()));
    const together = new TogetherPage(page);
    await together.open();
    await together.tickOnly('Dust extractor', 'Fridge', 'Glue pot', 'Laptop and router', 'Kettle');
    await expect(together.ladder).toContainText('What would settle it');
    await together.menu('Add the demo rig Lathe House');
    await expect(together.load('Chest freezer')).toBeChecked();
    await expect(together.headline).toHaveText(/Trips/);
    expect(met).toEqual([]);
  });

  test('two legs: the one that decides is drawn, and the other one on request', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.menu('Add the demo rig Lathe House');
    await expect(page.getByRole('radio', { name: 'Leg 2' })).toBeChecked();
    await expect(together.answer).toContainText(/the inverter, leg.2 carries 5,489.VA/);
    await together.load('Table saw').check();
    await page.getByRole('radio', { name: 'Leg 1' }).check();
    const starts = page.getByRole('table', { name: /Starts in order/ });
    await expect(starts).not.toContainText('Dust collector');
    await expect(starts.getByRole('row', { name: /Table saw/ }).first()).toContainText('up to');
  });

  test('what else can happen, and what the facts call for, stand beside the verdict', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.menu('Add the demo rig Marram');
    await together.supply('Site 50 A');
    await together.tickOnly('Front air conditioner', 'Rear air conditioner', 'Coffee maker');
    const beside = page.getByRole('region', { name: 'What else' });
    await beside.getByRole('button', { name: /When power comes back/ }).click();
    await expect(beside).toContainText(/After 3.min: Front air conditioner and rear air conditioner/);
    await beside.getByRole('button', { name: /One more load/ }).click();
    await expect(beside).toContainText(/1,500.W more/);

    await together.supply('Site 30 A, adapter');
    await expect(beside).toContainText('a shared neutral carries the sum, and no breaker sees it');
    await together.answer.getByRole('button', { name: /\d cautions/ }).click();
    await expect(page.locator('#warnings')).toBeFocused();
    await beside.getByText('An adapter: the smallest plug').click();
    await expect(beside).toContainText('must not be used');
  });

  test('an arrival test says how strong a post is, and is kept with the supply and in the logbook, which a copy has too', async ({
    page,
  }) => {
    const together = new TogetherPage(page);
    await together.open();
    const beside = page.getByRole('region', { name: 'What else' });
    await expect(beside.getByRole('button', { name: /Arrival test/ })).toHaveCount(0);
    await together.supply('Shore 30 A');
    await beside.getByRole('button', { name: /Arrival test/ }).click();
    for (const [field, value] of [
      ['Little on, V', '121'],
      ['Little on, A', '0'],
      ['Much on, V', '118,5'],
      ['Much on, A', '-1'],
    ])
      await beside.getByRole('textbox', { name: field }).fill(value!);
    await expect(beside).toContainText('Much on, A must be from 0 on');
    await beside.getByRole('textbox', { name: 'Much on, A' }).fill('10');
    await expect(beside).toContainText(/0\.25.ohm on the way, 121.V with nothing on/);
    await expect(beside).toContainText(/From 52.A on it falls below 108.V/);
    await beside.getByRole('button', { name: 'Keep it for Shore 30 A' }).click();
    await expect(together.ladder).not.toContainText('the voltage of the source');
    await together.saved();
    await page.reload();
    await expect(beside).toContainText(/0\.25.ohm, 121.V with nothing on/);
    await page.getByRole('link', { name: 'Rig' }).click();
    await page.getByRole('tab', { name: 'Supplies' }).click();
    const supplies = page.getByRole('region', { name: 'Supplies side by side' });
    await supplies.getByRole('button', { name: 'Shore 30 A' }).click();
    await expect(supplies).toContainText(/0\.25.ohm, 121.V with nothing on/);
    await page.getByRole('link', { name: 'Together' }).click();
    await page.getByRole('button', { name: 'Undo: keep the arrival test' }).click();
    await expect(beside).toContainText('Two readings tell how strong the post is.');

    await page.getByRole('button', { name: /^Rig:/ }).click();
    await page.getByRole('menuitem', { name: 'Duplicate Tern' }).click();
    await expect(page.getByRole('button', { name: 'Rig: Tern, copy' })).toBeVisible();
    await page.getByRole('link', { name: 'Logbook' }).click();
    await expect(page.getByRole('button', { name: /Does the battery carry/ })).toBeVisible();
    await page.getByRole('button', { name: 'Arrival: how strong is Shore 30 A?' }).click();
    await expect(page.getByRole('region', { name: 'Test', exact: true })).toContainText('0.25');
  });

  test('numbers that contradict each other are named, until the user knows better', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    const odd = JSON.parse(readFileSync(new URL('../../demo/tern.json', import.meta.url), 'utf8'));
    odd.converters[0].tiers[0].limit.value = 1000;
    await together.chooseFile({
      name: 'odd.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(odd)),
    });
    const warning = page.getByText('a surge of 1000 VA is below the continuous 3000 VA');
    await expect(warning).toBeVisible();
    await page.getByRole('button', { name: 'I know' }).click();
    await expect(warning).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo: set a warning aside' }).click();
    await expect(warning).toBeVisible();
  });
});
