import { expect, test, type Page } from '@playwright/test';
import { goToRoom } from './rooms.ts';

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true };

/** A plate as a phone sees it: tilted, grainy, with a lamp at one side. Its numbers are invented. */
async function pictureOf(page: Page, lines: readonly string[]): Promise<Buffer> {
  const address = await page.evaluate((each) => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [900, 560];
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#6b6862';
    context.fillRect(0, 0, 900, 560);
    context.rotate(0.03);
    context.fillStyle = '#c9cbcd';
    context.fillRect(60, 40, 780, 440);
    context.fillStyle = '#1d1f22';
    context.font = '600 44px "Barlow"';
    each.forEach((line, index) => context.fillText(line, 100, 130 + index * 84));
    const lamp = context.createLinearGradient(60, 40, 840, 480);
    lamp.addColorStop(0, 'rgba(255,255,255,0.3)');
    lamp.addColorStop(1, 'rgba(0,0,0,0.35)');
    context.fillStyle = lamp;
    context.fillRect(60, 40, 780, 440);
    return canvas.toDataURL('image/png');
  }, lines);
  return Buffer.from(address.split(',')[1]!, 'base64');
}

test.describe('nameplates, on a phone', () => {
  test.use(PHONE);

  test('three of them, one of a picture, become three loads with a verdict', async ({ page }) => {
    await page.goto('/loads');
    await page.getByRole('button', { name: 'Read a plate' }).tap();
    const dialog = page.getByRole('dialog', { name: 'Read a nameplate' });
    const text = dialog.getByRole('textbox', { name: 'Type or paste it as it stands' });
    const numbers = dialog.getByRole('list', { name: 'Its numbers' });

    await text.fill('ROOF AIR CONDITIONER\n115V~ 60Hz 1PH 12.5A\nRLA 11.2  LRA 58');
    await expect(numbers.getByRole('listitem').filter({ hasText: 'LRA 58' })).toContainText('58 A');
    await expect(dialog.getByText('The plate does not say its power factor')).toBeVisible();
    await dialog.getByRole('textbox', { name: 'Its name' }).fill('Galley air');
    await dialog.getByRole('button', { name: 'Add it, next plate' }).tap();
    await expect(dialog.getByText('Galley air: in the rig.')).toBeVisible();

    // What contradicts itself is asked, and nothing is added before it is answered.
    await text.fill('TABLE SAW\n5 HP 120V 60Hz 15A 3450 RPM');
    await expect(dialog.getByRole('button', { name: 'Add it, next plate' })).toBeDisabled();
    await expect(dialog.getByText('One question is open.')).toBeVisible();
    await dialog
      .getByRole('group', { name: /5 hp is more than 15 A can give/ })
      .getByText('15 A', { exact: true })
      .tap();
    await dialog.getByRole('button', { name: 'Add it, next plate' }).tap();

    const picture = await pictureOf(page, ['ELECTRIC KETTLE', '120V~ 60Hz', '1440W']);
    await dialog
      .getByLabel('Choose a picture')
      .setInputFiles({ name: 'kettle.png', mimeType: 'image/png', buffer: picture });
    const watts = numbers.getByRole('listitem').filter({ hasText: '1440' });
    await expect(watts).toContainText('1,440 W', { timeout: 60_000 });
    await expect(watts.getByRole('img', { name: 'guess' })).toBeVisible();
    await expect(dialog.getByText('numbers are not compared with the picture')).toBeVisible();
    await dialog.getByRole('button', { name: 'All are as on the picture' }).tap();
    await expect(watts.getByRole('img', { name: 'nameplate' })).toBeVisible();
    await dialog.getByRole('textbox', { name: 'Its name' }).fill('Second kettle');
    await dialog.getByRole('button', { name: 'Add it', exact: true }).tap();
    await expect(dialog).toHaveCount(0);

    await goToRoom(page, 'Together');
    for (const name of ['Galley air', 'Second kettle'])
      await page.getByRole('checkbox', { name, exact: true }).check();
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/Trips|Tight|Holds/);
    for (const step of ['Second kettle', 'Table saw', 'Galley air'])
      await expect(page.getByRole('checkbox', { name: new RegExp(`^${step}`) })).toHaveCount(1);
  });
});

test('a picture without a plate, and a file that is none, end in a clear line', async ({ page }) => {
  await page.goto('/loads');
  await page.getByRole('button', { name: 'Read a plate' }).click();
  const dialog = page.getByRole('dialog', { name: 'Read a nameplate' });
  const choose = dialog.getByLabel('Choose a picture');
  await choose.setInputFiles({
    name: 'notes.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('no picture'),
  });
  await expect(dialog.getByRole('status')).toContainText(
    'notes.txt is no picture that this browser can open.',
  );
  const empty = await pictureOf(page, []);
  await choose.setInputFiles({ name: 'wall.png', mimeType: 'image/png', buffer: empty });
  await expect(dialog.getByText('No text was found in it')).toBeVisible({ timeout: 60_000 });
  await expect(dialog.getByRole('img', { name: 'The picture of the plate' })).toBeVisible();
});
