import { expect, type Locator, type Page } from '@playwright/test';

/** Together as a person meets it: by what is written on the screen. */
export class TogetherPage {
  constructor(readonly page: Page) {}

  async open(): Promise<void> {
    await this.page.clock.setFixedTime('2026-06-12T10:36:00Z');
    await this.page.goto('/');
    await expect(this.load('Kettle')).toBeVisible();
  }

  get headline(): Locator {
    return this.page.getByRole('heading', { level: 1 });
  }

  get answer(): Locator {
    return this.page.getByRole('region', { name: 'Verdict' });
  }

  get ladder(): Locator {
    return this.page.getByRole('region', { name: 'Limits' });
  }

  load(name: string): Locator {
    return this.page.getByRole('checkbox', { name, exact: true });
  }

  /** All of the answer: the staircase is drawn right after the verdict, and cautions come a moment later. */
  async wholeAnswer(): Promise<string> {
    await expect(this.answer).toContainText('can start at any moment');
    await expect(this.answer).toContainText(/\d cautions?/);
    return this.answer.innerText();
  }

  async tickOnly(...names: string[]): Promise<void> {
    const ticked = this.page.getByRole('checkbox', { checked: true });
    // All in one go: only what is ticked then is asked of the machine.
    await ticked.evaluateAll((boxes) => boxes.forEach((box) => (box as HTMLInputElement).click()));
    await expect(ticked).toHaveCount(0);
    for (const name of names) await this.load(name).check();
  }

  async supply(name: string): Promise<void> {
    await this.page.getByRole('radio', { name }).check();
  }

  async openNumbers(name: string): Promise<Locator> {
    await this.page.getByRole('button', { name: `Correct the numbers of ${name}` }).click();
    return this.page.getByRole('group', { name: `Numbers of ${name}` });
  }

  async saved(): Promise<void> {
    await expect(this.page.getByText(/^\s*Saved \d\d:\d\d\s*$/)).toBeVisible();
  }

  async chooseFile(path: string | { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
    await this.page.getByLabel('Rig file to open').setInputFiles(path);
  }

  async menu(item: string | RegExp): Promise<void> {
    await this.page.getByRole('button', { name: /^Rig:/ }).click();
    await this.page.getByRole('menuitem', { name: item }).click();
  }
}
