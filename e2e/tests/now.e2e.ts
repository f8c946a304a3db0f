import { expect, test, type Locator, type Page } from '@playwright/test';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { goToRoom } from './rooms.ts';
import { TogetherPage } from './together-page.ts';
import { createApplication } from '../../server/src/application.ts';

const folder = fileURLToPath(new URL('../../app/dist', import.meta.url));
const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

/** Now as a person meets it, by what is written on the screen. */
class NowPage {
  constructor(readonly page: Page) {}

  async open(address = '/now'): Promise<void> {
    await this.page.goto(address);
    await expect(this.page.getByRole('heading', { name: 'Can I switch this on?' })).toBeVisible();
  }

  /** The row of a load that is off: its answer. */
  answer(load: string): Locator {
    return this.page
      .getByRole('region', { name: 'Can I switch this on?' })
      .getByRole('listitem')
      .filter({ hasText: load });
  }

  ticked(load: string): Locator {
    return this.page.getByRole('checkbox', { name: load, exact: true });
  }

  async begin(): Promise<void> {
    await this.page.getByRole('button', { name: 'Bench work' }).click();
    await expect(this.ticked('Bandsaw')).toBeChecked();
  }
}

test.describe('at the switch, on a phone', () => {
  test.use(PHONE);

  test('"can I switch the kettle on" is answered within three touches, with the one change that makes it yes', async ({
    page,
  }) => {
    const now = new NowPage(page);
    await now.open();
    await now.begin();
    await expect(now.answer('Kettle')).toContainText('Probably not');
    await expect(now.answer('Kettle')).toContainText('Bandsaw off, then yes.');
    await now.ticked('Bandsaw').tap();
    await expect(now.answer('Kettle')).toContainText('Yes');
    await now.answer('Kettle').getByRole('button').first().tap();
    await now.answer('Kettle').getByRole('button', { name: 'It is on now' }).tap();
    await expect(now.ticked('Kettle')).toBeChecked();
    await expect(page.getByText('The kettle on.')).toBeVisible();
    await page.getByRole('button', { name: 'Take it back' }).tap();
    await expect(now.ticked('Kettle')).toHaveCount(0);
  });

  test('ticks, clocks and the trip survive a reload; what is off waits for its pressure', async ({
    page,
  }) => {
    const now = new NowPage(page);
    await now.open();
    await now.begin();
    await now.ticked('Fridge').tap();
    const clocks = page.getByRole('list', { name: 'Clocks' });
    await expect(clocks).toContainText('Fridge');
    await expect(clocks.getByRole('timer')).toHaveText(/^2:5\d$/);
    await page.getByRole('button', { name: /more that are off/ }).tap();
    await expect(now.answer('Fridge')).toContainText('Not yet, 3 min');
    await page.reload();
    await expect(now.ticked('Bandsaw')).toBeChecked();
    await expect(clocks.getByRole('timer')).toHaveText(/^2:\d\d$/);
    await expect(now.ticked('Fridge')).toHaveCount(0);
  });

  test('"it went dark" names a cause, the look that tells it apart, and the way back; all of it is kept', async ({
    page,
  }) => {
    const now = new NowPage(page);
    await now.open();
    await now.begin();
    // What is on the battery itself would tell it from the inverter at once.
    await now.ticked('Lights and pump').tap();
    await page.getByRole('button', { name: 'It went dark' }).tap();
    await page.getByRole('radio', { name: 'After seconds' }).check();
    await page.getByRole('checkbox', { name: 'beep' }).check();
    await page.getByRole('combobox').tap();
    await page.getByRole('option', { name: 'Bandsaw' }).tap();
    const cause = page.getByRole('region', { name: 'Most probable' });
    await expect(cause).toContainText('The inverter shut down');
    await expect(cause).toContainText('The start of the bandsaw');
    await expect(page.getByText('call a professional')).toBeVisible();
    await page.getByRole('button', { name: 'Yes, low' }).tap();
    await expect(cause).toContainText('The inverter cut off on low volts');
    await page.getByRole('button', { name: 'Forget what I looked at' }).tap();
    await expect(cause).toContainText('The inverter shut down');
    const first = page.getByRole('checkbox', { name: /^Step 1: Off: bandsaw/ });
    await first.check();
    await page.reload();
    await expect(first).toBeChecked();
    await expect(page.getByRole('radio', { name: 'After seconds' })).toBeChecked();
    await page.getByRole('button', { name: 'It is light again' }).tap();
    await expect(now.ticked('Fridge')).toBeChecked();
    await expect(now.ticked('Bandsaw')).toHaveCount(0);
    await page.getByRole('button', { name: '1 trip kept for the logbook' }).tap();
    await expect(page.getByText(/All went dark, after seconds, last started: Bandsaw, beep/)).toBeVisible();
  });

  test('"what is eating 200 W" is answered by the loads that would explain it', async ({ page }) => {
    const now = new NowPage(page);
    await now.open();
    await now.ticked('Laptop and router').tap();
    await page.getByRole('button', { name: /Meter/ }).tap();
    await page.getByRole('textbox', { name: 'It shows' }).fill('230');
    await page.getByRole('button', { name: 'What is it?' }).tap();
    await expect(page.getByText('160 W', { exact: true })).toBeVisible();
    const explained = page.getByRole('list', { name: 'What would explain it' });
    await expect(explained.getByRole('listitem').first()).toContainText('Glue pot on without a tick');
    await page.getByRole('button', { name: 'A guest plugs in 1,500 W' }).tap();
    await expect(page.getByRole('list', { name: 'On which outlet' })).toContainText('Galley Yes.');
  });

  test('the rooms of the table stand behind one more touch', async ({ page }) => {
    await new NowPage(page).open();
    await page.getByRole('button', { name: /Other rooms/ }).tap();
    await page.getByRole('menuitem', { name: 'Loads' }).tap();
    await expect(page.getByRole('article', { name: 'Bandsaw' })).toBeVisible();
    await expect(page.getByRole('button', { name: /Other rooms: Loads/ })).toBeVisible();
  });
});

test.describe('without a network', () => {
  test.use({ ...PHONE, serviceWorkers: 'allow' });

  test('every room works after the first visit', async ({ page, context }) => {
    const now = new NowPage(page);
    await now.open();
    await now.begin();
    await expect
      .poll(() =>
        page.evaluate(async () => (await caches.keys()).some((name) => name.includes('assets:application'))),
      )
      .toBe(true);
    await page.reload();
    await context.setOffline(true);
    await page.reload();
    await expect(now.ticked('Bandsaw')).toBeChecked();
    await now.ticked('Bandsaw').tap();
    await expect(now.answer('Kettle')).toContainText('Yes');
    await page.goto('/');
    const together = new TogetherPage(page);
    await together.load('Kettle').check();
    await expect(together.headline).toHaveText(/Likely trips/);
  });
});

test.describe('simulated instruments', () => {
  /** A server of its own, that can be lost and come back at the same address. */
  async function serve(port = 0): Promise<Server> {
    const answer = createApplication({ folder, demoRig: 'tern' }).callback();
    const server = createServer((request, response) => void answer(request, response));
    await new Promise<void>((resolve) => server.listen(port, '127.0.0.1', resolve));
    return server;
  }

  test('show what flows, say that they are simulated, and are held against the ticks', async ({ page }) => {
    const now = new NowPage(page);
    await now.open();
    await now.begin();
    await page.getByRole('button', { name: 'Instruments, simulated' }).click();
    await page.getByRole('button', { name: 'Compressor kicks in' }).click();
    await expect(page.getByText('Simulated instruments: no reading of this rig.')).toBeVisible();
    const meters = page.getByRole('table', { name: 'What the instruments show' });
    await expect(meters.getByRole('row', { name: /Inverter (3[6-9]\d|4[01]\d) W 119\.\d V/ })).toBeVisible();
    await page.getByRole('button', { name: 'Hold it against my ticks' }).click();
    await expect(page.getByText(/Simulated\. Less than ticked\. The inverter gives/)).toBeVisible();
    await expect(page.getByText(/^\s*A start at .* VA, then 4\d\d W more\./)).toBeVisible({
      timeout: 40_000,
    });
    await page.getByRole('button', { name: 'Keep it for the logbook' }).click();
    await page.getByRole('button', { name: 'Record it for the logbook' }).click();
    await expect(page.getByText(/^Recording, \d+ readings;/)).toBeVisible();
    await page.getByRole('button', { name: 'End the recording' }).click();
    await expect(page.getByText(/^\d+ readings are in the logbook/)).toBeVisible();
    await page.getByRole('button', { name: 'Stop them' }).click();
    await expect(page.getByText('Simulated instruments: no reading of this rig.')).toHaveCount(0);

    await goToRoom(page, 'Logbook');
    await page.getByRole('button', { name: /Recorded from the instruments/ }).click();
    const recorded = page.getByRole('region', { name: 'Test', exact: true });
    await expect(recorded).toContainText('of no load yet');
    await recorded.getByRole('button', { name: 'Conditions' }).click();
    await recorded.getByRole('combobox', { name: 'Kind' }).click();
    await page.getByRole('option', { name: 'Cycling load' }).click();
    await expect(recorded).toContainText('Cycling load, recording only');
  });

  test('go stale and come back; a lost server is tried again, and own ticks go on meanwhile', async ({
    page,
  }) => {
    let server = await serve();
    const { port } = server.address() as AddressInfo;
    const now = new NowPage(page);
    await now.open(`http://127.0.0.1:${port}/now`);
    await now.begin();
    await page.getByRole('button', { name: 'Instruments, simulated' }).click();
    await page.getByRole('button', { name: 'Meter stuck' }).click();
    await expect(page.getByText('Live', { exact: true })).toBeVisible();
    await expect(page.getByText(/stands still for \d+ s/)).toBeVisible({ timeout: 60_000 });
    server.close();
    server.closeAllConnections();
    await expect(page.getByText(/No connection\. Tried again in \d+ s; your ticks go on\./)).toBeVisible();
    await now.ticked('Bandsaw').click();
    await expect(now.answer('Kettle')).toContainText('Yes');
    server = await serve(port);
    await expect(page.getByText('Live', { exact: true })).toBeVisible({ timeout: 60_000 });
    server.close();
    server.closeAllConnections();
  });

  test('are replayed from a file in the same format', async ({ page }) => {
    const now = new NowPage(page);
    await now.open();
    await page.getByRole('button', { name: 'Instruments, simulated' }).click();
    const header = {
      format: 'heliarch-instruments',
      version: 1,
      simulated: 'yes',
      rig: 'A bench',
      everyS: 1,
      accuracy: { battery: 0.01, output: 0.03, inlet: 0.02 },
    };
    const power = { volts: 230, amps: 1, watts: 230, wattHours: 0 };
    const samples = [0, 1, 2].map((atS) => ({ atS, output: { atS, ...power, va: 240, peakVA: 240 } }));
    const file = (lines: readonly string[]) => ({
      name: 'bench.jsonl',
      mimeType: 'application/json',
      buffer: Buffer.from(lines.join('\n')),
    });
    const choose = page.getByLabel('Replay a file');
    await choose.setInputFiles(file(['{"watts": 3}']));
    await expect(page.getByRole('alert')).toContainText('bench.jsonl is no feed of instruments');
    await choose.setInputFiles(
      file([header, ...samples].map((each) => JSON.stringify(each)).concat('nonsense')),
    );
    await expect(page.getByText('The file has ended')).toBeVisible();
    await expect(page.getByRole('row', { name: /Inverter 230 W/ })).toBeVisible();
    await expect(page.getByText('1 readings could not be read and are left out.')).toBeVisible();
  });
});
