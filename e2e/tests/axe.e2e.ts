import { expect, test, type Page } from '@playwright/test';
import type axe from 'axe-core';
import { fileURLToPath } from 'node:url';
import { DescribePage } from './describe-page.ts';
import { TogetherPage } from './together-page.ts';

/** Into every page before its own code: once a page, not once a sight. */
const AXE = fileURLToPath(import.meta.resolve('axe-core/axe.min.js'));

/** A phone has the same colours. */
const COLOURS_SEEN = 'on a desk';
const COLOURS_ALONE: axe.RunOptions = { runOnly: { type: 'rule', values: ['color-contrast'] } };
const WITHOUT_COLOURS: axe.RunOptions = { rules: { 'color-contrast': { enabled: false } } };
const SEEN_BY_NIGHT = new Set([
  'Together, where it trips, with the menu and the ways to make it fit',
  'Who runs with whom',
  'Rig, the diagram',
  'Loads, with a test and an open list',
  'Day, planned',
  'Now, with clocks, a guest and instruments',
  'It went dark',
  'Card, changed by hand',
  'Logbook, a run-down',
]);
const DEVICES = {
  'on a desk': { viewport: { width: 1280, height: 800 } },
  'on a phone': { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
};

/** One sight of the application after the other, each named as it comes up; in two walks, for two browsers. */
const WALKS: Readonly<Record<string, (page: Page) => AsyncGenerator<string>>> = {
  'Together, Rig, Loads and the first run': async function* (page) {
    yield* together(page);
    yield* rig(page);
    yield* loads(page);
    yield* overTheRooms(page);
    yield* firstRun(page);
  },
  'Day, Now, Card and Logbook': async function* (page) {
    await page.clock.setFixedTime('2026-06-12T10:36:00Z');
    await page.goto('/');
    yield* day(page);
    yield* now(page);
    yield* card(page);
    yield* logbook(page);
  },
};

for (const [device, size] of Object.entries(DEVICES))
  test.describe(device, () => {
    test.use(size);

    for (const [rooms, walk] of Object.entries(WALKS))
      test(`no view, dialog, open list or menu of ${rooms} has an accessibility fault (axe)`, async ({
        page,
      }) => {
        test.slow();
        await page.addInitScript({ path: AXE });
        for await (const sight of walk(page)) {
          const isSeenInColour = device === COLOURS_SEEN;
          expect(await faultsOf(page, isSeenInColour ? {} : WITHOUT_COLOURS), sight).toEqual([]);
          // By night only the colours are others, and what opens over a room has the same.
          if (!isSeenInColour || !SEEN_BY_NIGHT.has(sight)) continue;
          await wear(page, 'night');
          expect(await faultsOf(page, COLOURS_ALONE), `${sight}, by night`).toEqual([]);
          await wear(page, 'day');
        }
      });
  });

async function faultsOf(page: Page, options: axe.RunOptions): Promise<readonly string[]> {
  return page.evaluate(async (options) => {
    const { axe: tester } = window as unknown as { readonly axe: typeof axe };
    const { violations } = await tester.run(document, { resultTypes: ['violations'], ...options });
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`);
  }, options);
}

/** The colours of a theme, under whatever is open. */
async function wear(page: Page, theme: 'day' | 'night'): Promise<void> {
  await page.evaluate(async (chosen) => {
    document.documentElement.dataset['theme'] = chosen;
    const ending = document
      .getAnimations()
      .filter(({ effect }) => Number.isFinite(effect?.getComputedTiming().endTime));
    await Promise.allSettled(ending.map(({ finished }) => finished));
  }, theme);
}

async function* card(page: Page): AsyncGenerator<string> {
  await page.goto('/card');
  await expect(page.getByRole('list', { name: 'Lines of the card' })).toContainText('Always fine', {
    timeout: 60_000,
  });
  await page
    .getByRole('button', { name: /^Proof of/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Change it by hand' }).click();
  yield 'Card, changed by hand';
}

async function* logbook(page: Page): AsyncGenerator<string> {
  await page.goto('/logbook');
  await page.getByRole('button', { name: /Does the battery carry/ }).click();
  await expect(page.getByRole('list', { name: 'Verdicts that change' })).toContainText('Water heater');
  await page.getByRole('button', { name: 'Conditions' }).click();
  yield 'Logbook, a run-down';
  await page.getByRole('radio', { name: 'Table' }).check();
  await page
    .getByRole('button', { name: /^Change the reading of/ })
    .nth(2)
    .click();
  yield 'Logbook, its readings, one of them changed';
  if (await page.getByRole('button', { name: 'All tests' }).isVisible())
    await page.getByRole('button', { name: 'All tests' }).click();
  await page.getByRole('button', { name: 'New test' }).click();
  await expect(page.getByRole('dialog', { name: 'A new test' })).toBeVisible();
  yield 'Logbook, a new test';
  await page.keyboard.press('Escape');
}

async function* now(page: Page): AsyncGenerator<string> {
  await page.goto('/now');
  await page.getByRole('button', { name: 'Bench work' }).click();
  await page
    .getByRole('button', { name: /Kettle/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Fridge, on since' }).click();
  await page.getByRole('button', { name: '3 min' }).click();
  await page.getByRole('button', { name: 'A guest plugs in' }).click();
  // The list of outlets moves what is below it when it comes: a click on its way there would be lost.
  const outlets = page.getByRole('list', { name: 'On which outlet' }).getByRole('listitem');
  await expect(outlets.first()).not.toHaveText('…');
  await page.getByRole('button', { name: 'Instruments, simulated' }).click();
  await page.getByRole('button', { name: 'Quiet evening' }).click();
  await expect(page.getByRole('table', { name: 'What the instruments show' })).toBeVisible();
  yield 'Now, with clocks, a guest and instruments';
  await page.getByRole('button', { name: 'Stop them' }).click();
  await page.getByRole('button', { name: /^Meter what/ }).click();
  await page.getByRole('textbox', { name: 'It shows' }).fill('2200');
  await page.getByRole('button', { name: 'What is it?' }).click();
  await expect(page.getByText(/your ticks come to/)).toBeVisible();
  yield 'Now, with unexplained watts';
  await page.getByRole('button', { name: 'It went dark' }).click();
  await expect(page.getByRole('region', { name: 'Most probable' })).toBeVisible();
  await page.getByRole('radio', { name: 'Only some' }).check();
  yield 'It went dark';
  await page.getByRole('button', { name: 'I leave it off' }).click();
  await page.getByRole('button', { name: '1 trip kept' }).click();
  yield 'Trips';
}

async function* together(page: Page): AsyncGenerator<string> {
  const room = new TogetherPage(page);
  await room.open();
  await room.load('Kettle').check();
  await room.openNumbers('Bandsaw');
  yield 'Together, with the numbers of a load';
  await room.load('Convection oven').check();
  await expect(room.headline).toHaveText(/Trips/);
  await page.getByRole('radio', { name: 'My order' }).check();
  await expect(page.getByRole('list', { name: 'My order' })).toBeVisible();
  const limits = page.getByRole('radio', { name: 'Limits' });
  if (await limits.isVisible()) await limits.check();
  await expect(page.getByRole('list', { name: 'Would not help' })).toBeVisible();
  await page.getByRole('button', { name: /^Rig:/ }).click();
  await expect(page.getByRole('menuitem', { name: 'Open a file …' })).toBeVisible();
  yield 'Together, where it trips, with the menu and the ways to make it fit';
  await page.keyboard.press('Escape');
  await page.getByRole('radio', { name: 'Who runs with whom' }).check();
  await page.getByRole('button', { name: /Bandsaw starts while Dust extractor/ }).click();
  await expect(page.getByText(/in all; nothing can be added/)).toBeVisible();
  yield 'Who runs with whom';
  await page.getByRole('radio', { name: 'What size it takes' }).check();
  await expect(page.getByRole('table', { name: 'Sizes that are enough' })).toContainText('too small');
  yield 'What size it takes';
  await page.getByRole('radio', { name: 'This set' }).check();
  await page.getByRole('button', { name: 'Before you rely on this' }).click();
  await expect(page.getByRole('dialog')).toContainText('This is planning, not approval');
  yield 'The cautions';
  await page.keyboard.press('Escape');
}

async function* rig(page: Page): AsyncGenerator<string> {
  await new DescribePage(page).goTo('Rig');
  await expect(page.getByRole('region', { name: 'Rig checks' })).toBeVisible();
  yield 'Rig, the diagram';
  await page.getByRole('tab', { name: 'Supplies' }).click();
  await expect(page.getByRole('table', { name: 'Supplies side by side' })).toBeVisible();
  yield 'Rig, the supplies';
  await page.getByRole('tab', { name: /Surroundings/ }).click();
  await expect(page.getByRole('heading', { name: 'Units' })).toBeVisible();
  yield 'Rig, its surroundings';
}

async function* loads(page: Page): AsyncGenerator<string> {
  const describe = new DescribePage(page);
  await describe.goTo('Loads');
  await describe.openLoad('Bandsaw');
  await page.getByRole('button', { name: 'Measure it with a clamp meter' }).click();
  await expect(page.getByRole('textbox', { name: 'Base before' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Made of' }).click();
  await expect(page.getByRole('option', { name: 'motor with heavy wheels' })).toBeVisible();
  yield 'Loads, with a test and an open list';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add a load' }).click();
  await expect(page.getByRole('dialog', { name: 'Add a load from its kind' })).toBeVisible();
  yield 'The kinds';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Read a plate' }).click();
  await page.getByRole('textbox', { name: 'Type or paste it' }).fill('VAC 5 HP 120V 12A\n33');
  await expect(page.getByText('One question is open.')).toBeVisible();
  yield 'A plate with questions';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Bring in a list' }).click();
  await page.getByRole('textbox', { name: 'Lines to bring in' }).fill('name,kind\nKettle,what');
  await expect(page.getByRole('alert')).toBeVisible();
  yield 'A list that cannot be read';
  await page.keyboard.press('Escape');
}

async function* day(page: Page): AsyncGenerator<string> {
  await page.getByRole('link', { name: 'Day', exact: true }).click();
  await page.getByRole('button', { name: 'Plan the day' }).click();
  const aside = page.getByRole('complementary', { name: 'The plan' });
  await expect(aside).toContainText('cannot be placed');
  yield 'Day, planned';
  for (const panel of ['Energy and costs', 'How good it is']) {
    await page.getByRole('radio', { name: panel }).check();
    yield `Day, ${panel}`;
  }
  await page.getByRole('button', { name: 'Sky, charge, supplies …' }).click();
  await page.getByRole('textbox', { name: 'Date' }).click();
  await expect(page.getByRole('link', { name: 'Today' }).or(page.getByText('Today'))).toBeVisible();
  yield 'Day, with a date to be picked';
  await page.keyboard.press('Escape');
  await page.getByRole('textbox', { name: 'Begins at' }).click();
  await expect(page.getByRole('dialog').getByText('Now', { exact: true })).toBeVisible();
  yield 'Day, with a time to be picked';
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Close' }).click();
  await aside.getByRole('button', { name: /^Lunch/ }).click();
  await expect(page.getByRole('dialog', { name: 'Lunch' })).toBeVisible();
  await page.getByRole('button', { name: '… to cool a room?' }).click();
  await expect(page.getByRole('button', { name: 'Take this cycle for the load' })).toBeVisible();
  yield 'Day, with the sheet of a job';
  await page.getByRole('button', { name: 'Close' }).click();
}

async function* overTheRooms(page: Page): AsyncGenerator<string> {
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Search' })).toBeVisible();
  yield 'The search';
  await page.keyboard.type('show the keys');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  yield 'The keys';
  await page.keyboard.press('Escape');
}

async function* firstRun(page: Page): AsyncGenerator<string> {
  await new TogetherPage(page).menu('Begin a new rig …');
  await page.getByRole('button', { name: 'Inverter', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'What does your inverter carry?' })).toBeVisible();
  yield 'The question of the inverter';
  await page.getByRole('button', { name: 'First loads' }).click();
  await page.getByLabel('Find a kind').fill('jointer 1/2 hp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Breaker of Jointer' })).toBeVisible();
  yield 'The question of the loads';
}
