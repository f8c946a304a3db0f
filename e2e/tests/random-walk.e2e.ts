import { expect, test, type Page } from '@playwright/test';
import { randomNumbers } from './random.ts';
import { TogetherPage } from './together-page.ts';

/** The short form is part of npm test; STEPS=500 SEED=7 walks on. */
const STEPS = Number(process.env['STEPS'] ?? 14);
const SEED = Number(process.env['SEED'] ?? 20_261_128);
const ROOMS = ['Rig', 'Loads', 'Together', 'Day', 'Now', 'Logbook', 'Card'];

for (const room of ROOMS)
  test(`${STEPS} steps at random through ${room} meet no defect (seed ${SEED})`, async ({ page }) => {
    test.slow();
    const met: string[] = [];
    page.on('console', (message) => message.type() === 'error' && met.push(message.text()));
    page.on('pageerror', (error) => met.push(error.message));
    await new TogetherPage(page).open();
    await page.getByRole('navigation', { name: 'Rooms' }).getByRole('link', { name: room }).click();
    const next = randomNumbers(SEED);
    const walked: string[] = [];
    for (let step = 0; step < STEPS; step += 1) {
      walked.push(await takeStep(page, next()));
      expect(met, walked.slice(-6).join('\n')).toEqual([]);
      await expect(page.getByRole('heading', { name: 'This room met a defect' })).toHaveCount(0);
    }
  });

/** Presses, types or chooses something that is on the page; says what. */
async function takeStep(page: Page, random: number): Promise<string> {
  return page.evaluate((random) => {
    const TYPED = ['0', '-1', '12,5', '1e9', 'abc', '', '0.3', '900'];
    // What leaves the page or the rig, and what only a person can answer.
    const LEFT_ALONE = /^print|delete .* from this browser|reload|file …|camera|phone/i;
    const dialog = document.querySelector('dialog[open], [role=dialog]');
    const scope = dialog ?? document;
    const all = [
      ...scope.querySelectorAll<HTMLElement>(
        'button, a[href], input, select, textarea, [role=button], [role=menuitem]',
      ),
    ].filter(
      (each) =>
        each.checkVisibility({ visibilityProperty: true }) &&
        !(each as HTMLButtonElement).disabled &&
        (each as HTMLInputElement).type !== 'file' &&
        !LEFT_ALONE.test(each.textContent + (each.ariaLabel ?? '')),
    );
    const target = all[Math.floor(random * all.length)];
    if (!target) return 'nothing to do';
    const pick = <T>(among: ArrayLike<T>): T => among[Math.floor(random * 7919) % among.length]!;
    const told = `${target.tagName} ${(target.ariaLabel ?? target.textContent).trim().slice(0, 60)}`;
    if (target instanceof HTMLSelectElement)
      target.selectedIndex = Math.floor(random * 7919) % target.options.length;
    else if (target instanceof HTMLInputElement && /^(text|search|number)$/.test(target.type))
      target.value = pick(TYPED);
    else {
      target.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
      return told;
    }
    target.focus();
    target.dispatchEvent(new Event('input', { bubbles: true }));
    target.dispatchEvent(new Event('change', { bubbles: true }));
    return `${told} = ${target.value}`;
  }, random);
}
