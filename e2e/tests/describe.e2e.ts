import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { check, compile } from '../../core/src/api/check.ts';
import { readRigFile, type Rig } from '../../core/src/api/rig.ts';
import { largeRig } from '../../core/bench/large-rig.ts';
import { choose, DescribePage } from './describe-page.ts';
import { TogetherPage } from './together-page.ts';

const shipped = rigOf(readFileSync('demo/tern.json', 'utf8'));

function rigOf(text: string): Rig {
  const read = readRigFile(text);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  return read.value;
}

/** A visit to a server that offers no demo: the book is empty. */
async function openEmptyBook(page: Page): Promise<void> {
  await page.clock.setFixedTime('2026-06-12T10:36:00Z');
  await page.route('**/mode.json', (route) => route.fulfill({ json: {} }));
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'No rig yet' })).toBeVisible();
}

async function savedFile(page: Page, together: TogetherPage): Promise<string> {
  const download = page.waitForEvent('download');
  await together.menu(/to a file/);
  return readFileSync(await (await download).path(), 'utf8');
}

test.describe('describing a system', () => {
  test('a new user gets from nothing to a first verdict by a few questions, and corrects a number', async ({
    page,
  }) => {
    await openEmptyBook(page);
    await page.getByRole('button', { name: 'Describe your own' }).click();
    const next = page.getByRole('button', { name: 'Next' });
    await page.getByLabel('What do you call your rig?').fill('Heron');
    await next.click();
    await page.getByLabel('Nominal volts').fill('25.6');
    await page.getByLabel('Amp-hours').fill('a lot');
    await expect(page.getByText('Amp-hours must be a number')).toBeVisible();
    await next.click();
    await expect(page.getByRole('heading', { name: 'What is your battery?' })).toBeVisible();
    await page.getByLabel('Amp-hours').fill('200');
    await next.click();
    await page.getByRole('button', { name: 'Leave the questions' }).click();
    await page.getByRole('button', { name: 'Describe your own' }).click();
    await page.getByRole('button', { name: 'Inverter', exact: true }).click();
    await page.getByLabel('Running, watts').fill('2000');
    await page.getByLabel('Short, volt-amperes').fill('4000');
    await page.getByLabel('for how long').fill('5');
    await expect(page.getByRole('complementary', { name: 'Your rig so far' })).toContainText(
      '2,000 W running takes',
    );
    await next.click();
    await page.getByLabel('Breaker of the post').fill('15');
    for (let step = 0; step < 4; step += 1) await next.click();
    await page.getByLabel('Find a kind').fill('kettle');
    await page.getByRole('button', { name: '+ Kettle', exact: true }).click();
    await page.getByLabel('Find a kind').fill('small oven');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('complementary', { name: 'Your rig so far' })).toContainText(
      'On battery: tight on its own: the kettle, the small oven.',
    );
    await page.getByRole('button', { name: 'Finish' }).click();

    const together = new TogetherPage(page);
    await expect(page.getByRole('button', { name: 'Rig: Heron' })).toBeVisible();
    await together.load('Kettle').check();
    await expect(together.headline).toHaveText(/^\s*Tight\s*$/);
    await together.load('Small oven').check();
    await expect(together.headline).toHaveText(/Trips/);

    const describe = new DescribePage(page);
    await describe.goTo('Loads');
    await describe.openLoad('Small oven');
    await describe.quantity(describe.editor, 'Running power', { value: 450, basis: 'measured' });
    await expect(describe.editor).toContainText('with the doubt 437 W to 464 W');
    await describe.goTo('Together');
    await expect(together.headline).not.toHaveText(/Trips/);
  });

  test('a trailer with a separate converter and two hookups, and a workshop with a motor at 240 V, each reach a verdict in under 25 actions', async ({
    page,
  }) => {
    await openEmptyBook(page);
    const together = new TogetherPage(page);
    const next = page.getByRole('button', { name: /^(Next|Finish)/ });
    const find = page.getByLabel('Find a kind');
    const add = async (words: string): Promise<void> => {
      await find.fill(words);
      await find.press('Enter');
    };
    await page.getByRole('button', { name: 'Describe your own' }).click();
    await page.getByLabel('What do you call your rig?').fill('Plover');
    await expect(page.getByRole('banner')).toContainText('Plover');
    await next.click();
    await page.getByLabel('Amp-hours').fill('300');
    await next.click();
    await page.getByLabel('Running, watts').fill('3000');
    await page.getByRole('radio', { name: 'A separate converter or charger' }).check();
    await next.click();
    await page.getByLabel('Breaker of the post').fill('30');
    await page.getByRole('button', { name: /Another one/ }).click();
    await page.getByLabel('Breaker of the post').nth(1).fill('15');
    await page.getByLabel('Smallest plug or adapter').nth(1).fill('15');
    for (let step = 0; step < 3; step += 1) await next.click();
    await page.getByLabel('Name of circuit 1').fill('Air conditioner');
    await page.getByRole('button', { name: 'Another circuit' }).click();
    await page.getByLabel('Name of circuit 2').fill('Outlets');
    await next.click();
    await add('roof air conditioner, small');
    await add('water heater');
    await expect(page.getByRole('combobox', { name: 'Breaker of Water heater element' })).toHaveValue(
      'Outlets',
    );
    await expect(page.getByRole('combobox', { name: /Breaker of Roof/ })).toHaveValue('Air conditioner');
    await next.click();
    for (const [supply, verdict] of [
      ['Shore 30 A', /Holds/],
      ['Shore 15 A', /Tight|Likely trips|Trips/],
    ] as const) {
      await together.supply(supply);
      await together.load('Roof air conditioner, small').check();
      await expect(together.headline).toHaveText(verdict);
      await expect(together.load('Water heater element')).toHaveAccessibleDescription(
        /can start|tight|after|no: /,
      );
    }

    await together.menu(/^Begin|^New|own/i);
    await page.getByLabel('What do you call your rig?').fill('Woodshop');
    await page.getByRole('radio', { name: '120/240 V, 60 Hz, two legs' }).check();
    await page.getByRole('radio', { name: 'The wall alone: a workshop or a house' }).check();
    await next.click();
    await page.getByLabel('Breaker of the post').fill('60');
    await next.click();
    await next.click();
    await page.getByLabel('Name of circuit 1').fill('Machines');
    await next.click();
    await add('bandsaw 3/4 hp');
    await add('dust extractor 1.5 hp');
    await add('table saw induction 3 hp');
    await choose(
      page.getByRole('combobox', { name: /Breaker of Table saw/ }),
      'its own, 240 V, of the usual size',
    );
    await next.click();
    await together.load('Bandsaw').check();
    await together.load('Table saw, 1.5 hp induction motor').check();
    await expect(together.headline).toHaveText(/Holds|Tight/);
    await together.load('Dust extractor, induction motor').check();
    await expect(together.headline).toHaveText(/Tight|rips/);
    await expect(together.ladder).toContainText('Machines 15 A');
  });

  test('Tern’s system and those of its loads that are on, with some more, typed in from a printed list, give the same verdicts as the shipped file', async ({
    page,
  }) => {
    test.slow();
    const describe = new DescribePage(page);
    const inUse = new Set(shipped.scenes[0]!.on.map(({ load }) => load));
    const printed = shipped.loads.filter(({ id }, index) => inUse.has(id) || index % 4 === 0);
    const together = new TogetherPage(page);
    await openEmptyBook(page);
    await page.getByRole('button', { name: 'Describe your own' }).click();
    await page.getByLabel('What do you call your rig?').fill('Tern');
    for (let step = 0; step < 7; step += 1) await page.getByRole('button', { name: 'Next' }).click();
    await page.getByRole('button', { name: 'Finish' }).click();

    await describe.goTo('Rig');
    for (const [old, bus] of [
      ['Battery side', 0],
      ['Inlet', 1],
      ['Panel', 2],
    ] as const) {
      await describe.openPart(old);
      await describe.enter(describe.sheet, 'buses[]', shipped.buses[bus]!, shipped);
    }
    for (const source of shipped.sources) {
      await describe.addPart('source');
      await describe.enter(describe.sheet, 'sources[]', source, shipped);
    }
    await describe.openPart('Inverter');
    await describe.enter(describe.sheet, 'converters[]', shipped.converters[0]!, shipped);
    await describe.openPart('Battery');
    await describe.enter(describe.sheet, 'batteries[]', shipped.batteries[0]!, shipped);
    await describe.addPart('solar array');
    await describe.enter(describe.sheet, 'solar[]', shipped.solar![0]!, shipped);
    await describe.openPart('Outlets');
    await describe.enter(describe.sheet, 'circuits[]', shipped.circuits[0]!, shipped);
    for (const circuit of shipped.circuits.slice(1)) {
      await describe.addPart('circuit');
      await describe.enter(describe.sheet, 'circuits[]', circuit, shipped);
    }
    await page.getByRole('tab', { name: 'Supplies' }).click();
    await describe.enter(describe.sheet, 'supplies[]', shipped.supplies[0]!, shipped);
    for (const supply of shipped.supplies.slice(1)) {
      await page.getByRole('button', { name: 'Add a supply' }).click();
      for (const tick of await describe.sheet.getByRole('checkbox', { checked: true }).all())
        await tick.uncheck();
      await describe.enter(describe.sheet, 'supplies[]', supply, shipped);
    }
    await describe.goTo('Loads');
    for (const load of printed) await describe.enterLoad(load, shipped);
    await expect(page.getByText('Not kept yet')).toBeHidden();

    const typed = rigOf(await savedFile(page, together));
    const asTyped = (id: string) => typed.loads[printed.findIndex((load) => load.id === id)]!.id;
    for (const [index, supply] of shipped.supplies.entries()) {
      for (let pick = 1; pick < 60; pick += 1) {
        const set = printed.filter((_, load) => (pick * 2654435761) % (load + 3) < 2).map(({ id }) => id);
        const one = check(compile(shipped), { supply: supply.id, on: set.map((load) => ({ load })) });
        const other = check(compile(typed), {
          supply: typed.supplies[index]!.id,
          on: set.map((load) => ({ load: asTyped(load) })),
        });
        const said = (result: typeof one) => [
          result.verdict,
          result.decider?.kind,
          result.decider?.headroom.pessimistic.toFixed(6),
          result.decider?.headroom.optimistic.toFixed(6),
        ];
        expect(said(other), `${supply.name}: ${set.join(', ')}`).toEqual(said(one));
      }
    }
    await describe.goTo('Together');
    for (const { load } of shipped.scenes[0]!.on)
      await together.load(shipped.loads.find(({ id }) => id === load)!.name).check();
    await expect(together.answer).toContainText(/With at least 362.VA to spare/);
  });

  test('an expert finds, ticks and moves many of 40 loads, and undoes it', async ({ page }) => {
    const rig = largeRig(40);
    const [first] = rig.circuits;
    const more = Array.from({ length: 17 }, (_, i) => ({
      ...first!,
      id: `extra-${i}`,
      name: `Extra ${i + 1}`,
    }));
    const together = new TogetherPage(page);
    const describe = new DescribePage(page);
    await together.open();
    const file = JSON.stringify({ ...rig, circuits: [...rig.circuits, ...more] });
    await together.chooseFile({
      name: 'large.json',
      mimeType: 'application/json',
      buffer: Buffer.from(file),
    });
    await describe.goTo('Loads');
    const rows = page.getByRole('table').getByRole('checkbox', { name: /^Tick (?!all)/ });
    await expect(rows).toHaveCount(40);
    await page.getByRole('button', { name: 'Run, W' }).click();
    await page.getByRole('button', { name: 'Run, W' }).click();
    await expect(
      page
        .getByRole('table')
        .getByRole('button', { name: /^(Convection|Kettle)/ })
        .first(),
    ).toBeVisible();
    await page.getByRole('searchbox', { name: 'Find loads' }).fill('cooking kettle');
    await expect(rows).toHaveCount(2);
    await page.getByRole('checkbox', { name: 'Tick all loads shown' }).check();
    const circuits = page.getByRole('combobox', { name: 'Circuit to move the ticked loads to' });
    await circuits.focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('row', { name: /Kettle 2/ })).toContainText('Galley');
    await page.keyboard.press('Escape');
    await circuits.click();
    await circuits.fill('Extra 3');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('row', { name: /Kettle 2/ })).toContainText('Extra 3');
    await page.getByRole('button', { name: 'Duplicate', exact: true }).click();
    await expect(rows).toHaveCount(4);
    await page.getByRole('button', { name: /^Undo: copy/ }).click();
    await page.getByRole('button', { name: /^Undo: move/ }).click();
    await expect(page.getByRole('row', { name: /Kettle 2/ })).toContainText('Galley');

    await describe.goTo('Rig');
    await expect(page.locator('heli-one-line').getByRole('button', { name: /^Extra \d+, 20 A/ })).toHaveCount(
      17,
    );
    const load = (name: string) =>
      page.locator('heli-one-line').getByRole('button', { name: new RegExp(`^${name}(, on)?$`) });
    await load('Fridge').focus();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('button', { name: /^Undo: move Fridge/ })).toBeVisible();
    await expect(load('Fridge')).toBeFocused();
    await load('Kettle').hover();
    await page.mouse.down();
    // What is pulled follows the pointer once it is pulled for some way.
    await page.mouse.move(0, 0, { steps: 4 });
    await describe.part('Tools').locator('text').first().hover({ force: true });
    await page.mouse.up();
    await load('Kettle').click();
    await expect(describe.sheet.getByRole('combobox', { name: 'Circuit' })).toHaveValue('Tools');

    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the picture' }).click();
    await page.getByRole('menuitem', { name: 'As SVG' }).click();
    const svg = readFileSync(await (await download).path(), 'utf8');
    expect(svg).toContain('Extra 17');
    expect(svg).toMatch(/@font-face \{ font-family: "?Barlow Semi Condensed.*src: url\(data:font/);
    expect(svg).toMatch(/^<svg[^>]*viewBox/);
  });

  test('what cannot be kept yet waits with its reason, and a part that feeds something stays', async ({
    page,
  }) => {
    const describe = new DescribePage(page);
    await new TogetherPage(page).open();
    await describe.goTo('Rig');
    await describe.openPart('Battery bank');
    await describe.sheet.getByRole('button', { name: 'Add fuse' }).click();
    await describe.sheet.getByRole('textbox', { name: 'Fuse size' }).fill('300');
    await expect(describe.sheet).toContainText('Battery "Battery bank", fuse, kind of fuse: is missing');
    await describe.sheet.getByRole('textbox', { name: 'Fuse size' }).focus();
    await expect(describe.sheet.getByRole('note', { name: 'About this field' })).toContainText(
      'Printed on the fuse',
    );
    await describe.goTo('Together');
    const unfinished = page.getByRole('status').filter({ hasText: 'is unfinished' });
    await expect(unfinished).toContainText('fuse, kind of fuse: is missing');
    await unfinished.getByRole('link', { name: 'Complete it' }).click();
    await choose(describe.sheet.getByRole('combobox', { name: 'Kind of fuse' }), 'class T');
    await expect(describe.sheet).not.toContainText('Not kept yet');
    await page.getByRole('button', { name: /^Show the \d+ that hold/ }).click();
    await expect(page.getByRole('region', { name: 'Rig checks' })).toContainText('a 300 A fuse bears');
    await describe.sheet.getByRole('textbox', { name: 'Amp-hours' }).fill('4oo');
    await expect(describe.sheet).toContainText('Amp-hours must be a number, such as 400');

    await describe.openPart('Tools');
    await describe.sheet.getByRole('button', { name: 'Remove', exact: true }).click();
    await expect(page.getByRole('alert')).toHaveText(
      'Tools feeds Bandsaw and Dust extractor; move or remove them first.',
    );
    await page.getByRole('tab', { name: 'Supplies' }).click();
    await expect(page.getByRole('row', { name: /advised/ })).toContainText(/at most \d+ A/);
    await page.getByRole('tab', { name: /Surroundings/ }).click();
    await page.getByRole('button', { name: 'Add surroundings' }).click();
    await page.getByRole('textbox', { name: 'Where the inverter is' }).fill('113');
    await page.getByRole('radio', { name: 'metres, °C' }).check();
    await expect(page.getByRole('textbox', { name: 'Where the inverter is' })).toHaveValue('45');
  });

  test('the list goes to a spreadsheet and back, with a look at every line first', async ({ page }) => {
    const describe = new DescribePage(page);
    const together = new TogetherPage(page);
    await together.open();
    await describe.goTo('Loads');
    await describe.editor.getByRole('textbox', { name: 'Name of the load' }).fill('=Saw, "big"');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the list' }).click();
    const csv = readFileSync(await (await download).path(), 'utf8');
    const lines = csv.split('\r\n');
    expect(lines[0]).toContain('running power [W]');
    expect(lines[1]).toMatch(/^"'=Saw, ""big""",/);

    const edited = csv
      .replace(
        'Kettle,,"kettle, oven or coil",Galley,left on,1420',
        'Kettle,,"kettle, oven or coil",Attic,left on,1420',
      )
      .replace(
        'Glue pot,,resistance heater,Heat,left on,160',
        'Glue pot,,resistance heater,Heat,left on,175',
      );
    expect(edited).not.toBe(csv);
    await page.getByRole('button', { name: 'Bring in a list' }).click();
    const dialog = page.getByRole('dialog', { name: 'Bring in a load list' });
    await dialog
      .locator('input[type=file]')
      .setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from(edited) });
    await expect(dialog.getByRole('row', { name: /Kettle/ })).toContainText(
      'is left out: The circuit "Attic" is not in this rig',
    );
    await dialog.getByRole('button', { name: 'Take 15 of 16 lines' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByRole('row', { name: /Glue pot/ })).toContainText('175');
    await expect(page.getByRole('row', { name: /Kettle/ })).toContainText('Galley');
    await page.getByRole('button', { name: 'Undo: bring in 15 lines' }).click();
    await expect(page.getByRole('row', { name: /Glue pot/ })).toContainText('160');
  });

  test('a start is measured in order, judged, and moves the verdict', async ({ page }) => {
    const describe = new DescribePage(page);
    await new TogetherPage(page).open();
    await describe.goTo('Loads');
    await describe.openLoad('Dust extractor');
    const start = describe.editor.getByRole('region', { name: 'Start', exact: true });
    await start.getByRole('button', { name: 'Measure it' }).click();
    await start.getByLabel('Base before').fill('2,o');
    await expect(start).toContainText('Base before must be a number');
    await start.getByLabel('Base before').fill('2');
    for (const [index, amps] of [18, 17.5, 17.8, 12, 17.6].entries())
      await start.getByLabel(`Start ${index + 1}`).fill(String(amps));
    await start.getByLabel('How long the longest lasted').fill('1.2');
    await expect(start).toContainText(
      '16 A less the base, 1,920 VA. 4 of 5 starts agree within 10 %: it counts as measured.',
    );
    await start.getByLabel('Base after').fill('2.5');
    await expect(start).toContainText('differ by more than 5 %');
    await start.getByLabel('Base after').fill('2');
    await start.getByRole('button', { name: 'Keep these readings' }).click();
    await expect(start.getByRole('textbox', { name: 'Start', exact: true })).toHaveValue('1,920');
    await expect(
      start.getByRole('combobox', { name: 'Start: how do you know it?', exact: true }),
    ).toHaveValue('measured');
  });

  test('a rig is copied, renamed, deleted and put back; one is given as QR codes', async ({ page }) => {
    const together = new TogetherPage(page);
    await together.open();
    await together.menu('Duplicate Tern');
    await expect(page.getByRole('button', { name: 'Rig: Tern, copy' })).toBeVisible();
    await together.menu('Rename Tern, copy …');
    await page
      .getByRole('region', { name: 'The rig' })
      .getByRole('textbox', { name: 'Name', exact: true })
      .fill('Curlew');
    await together.menu('Delete Curlew from this browser');
    await expect(page.getByRole('button', { name: 'Rig: Tern' })).toBeVisible();
    await page.getByRole('button', { name: 'Put Curlew back' }).click();
    await expect(page.getByRole('button', { name: 'Rig: Curlew' })).toBeVisible();
    await together.menu(/Give to a phone/);
    await expect(page.getByRole('img', { name: /^QR code \d+ of \d+/ })).toBeVisible();
  });
});
