import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { goToRoom } from './rooms.ts';
import { TogetherPage } from './together-page.ts';

const linesOf = (page: Page) => page.getByRole('list', { name: 'Lines of the card' });

async function open(page: Page): Promise<void> {
  await new TogetherPage(page).open();
  await goToRoom(page, 'Card');
  await expect(linesOf(page).getByRole('listitem').first()).toContainText('Always fine: Fridge', {
    timeout: 60_000,
  });
}

test.describe('the card on the cupboard door', () => {
  test('says in household words what is fine, one at a time and never; each line opens its proof', async ({
    page,
  }) => {
    await open(page);
    const card = page.locator('heli-card-preview').first();
    await expect(card).toContainText('One of these at a time');
    await expect(card).toContainText('Only with the cord in: water heater');
    await expect(card).toContainText('All is dark?');
    expect(
      await card.evaluate((host) => host.querySelector('div')?.shadowRoot?.textContent ?? ''),
    ).not.toMatch(/\d\s?W\b/);
    await page.getByRole('button', { name: /^Proof of: Always fine/ }).click();
    await expect(linesOf(page)).toContainText('Proved: 1 set, each in any order, with restarts.');
    await page.getByRole('textbox', { name: 'Who to ask' }).fill('the shop, door 3');
    await expect(card).toContainText('leave it off and call the shop, door 3');
  });

  test('a change by hand is proved again at once: what does not hold is not printed, and why', async ({
    page,
  }) => {
    await open(page);
    await page.getByRole('button', { name: 'Change it by hand' }).click();
    await page.getByRole('combobox', { name: 'Where Convection oven stands' }).click();
    await page.getByRole('option', { name: 'Always fine' }).click();
    await expect(linesOf(page)).toContainText(/Not printed: it (only may hold|trips)/);
    const card = page.locator('heli-card-preview').first();
    await expect(card).not.toContainText('One of these at a time');
    await page.reload();
    await expect(page.getByText('Changed by hand.')).toBeVisible();
    await page.getByRole('button', { name: 'As it was worked out' }).click();
    await expect(card).toContainText('One of these at a time', { timeout: 60_000 });
  });

  test('goes to a PDF and to a page for other phones, and says when it is no longer true', async ({
    page,
  }) => {
    await open(page);
    const saved = async (button: string) => {
      const downloading = page.waitForEvent('download');
      await page.getByRole('button', { name: button, exact: true }).click();
      return readFileSync(await (await downloading).path());
    };
    const pdf = await saved('PDF');
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
    const html = (await saved('Page for other phones')).toString();
    expect(html.length).toBeLessThan(200_000);
    const other = await page.context().newPage();
    await other.setContent(html);
    await expect(other.getByRole('heading', { name: 'Always fine' })).toBeVisible();
    expect(await other.evaluate(() => document.scripts.length)).toBe(0);
    await other.close();
    await expect(
      page.getByText('The rig has not changed since: it is true as it hangs there.'),
    ).toBeVisible();
    // The glue pot turns out to draw far more than was thought.
    const together = new TogetherPage(page);
    await goToRoom(page, 'Together');
    const numbers = await together.openNumbers('Glue pot');
    await numbers.getByRole('textbox', { name: 'Running' }).fill('1,900');
    await together.saved();
    await goToRoom(page, 'Card');
    const untrue = page.getByRole('list', { name: 'Lines that are no longer true' });
    await expect(untrue).toContainText('On battery: ', { timeout: 60_000 });
    await expect(untrue).toContainText(/Not printed: it (only may hold|trips)/);
  });
});
