import { ComponentHarness } from '@angular/cdk/testing';

/** The limit ladder as a reader of the page comes by it: by roles and names. */
export class LimitLadderHarness extends ComponentHarness {
  static readonly hostSelector = 'heli-limit-ladder';

  private readonly headings = this.locatorForAll('[role=rowheader]');
  private readonly openers = this.locatorForAll('[role=rowheader] button');
  private readonly verdicts = this.locatorForAll('[role=row] heli-verdict-mark + *');
  private readonly fold = this.locatorFor('p button');
  private readonly bars = this.locatorForAll('[role=row] > [aria-hidden] > :first-child');
  private readonly workings = this.locatorForAll('heli-limit-working');

  /** What each row is of, from the top. */
  async labels(): Promise<readonly string[]> {
    return textsOf(await this.headings());
  }

  /** The verdict of each row in words. */
  async verdictWords(): Promise<readonly string[]> {
    return textsOf(await this.verdicts());
  }

  /** What the line says that stands for the folded rows, and what else stands there. */
  async foldedLine(): Promise<string> {
    return textOf(await (await this.fold()).text());
  }

  async unfold(): Promise<void> {
    await (await this.fold()).click();
  }

  /** How long the bar of what runs is drawn, % of the limit. */
  async runningPercent(place: number): Promise<number> {
    return Number.parseFloat(
      (await (await this.bars())[place]?.getAttribute('style'))?.replace(/^\D+/, '') ?? '',
    );
  }

  async toggle(place: number): Promise<void> {
    await (await this.openers())[place]?.click();
  }

  async isOpen(place: number): Promise<boolean> {
    return (await (await this.openers())[place]?.getAttribute('aria-expanded')) === 'true';
  }

  /** The text of every working that is open. */
  async openWorkings(): Promise<readonly string[]> {
    return textsOf(await this.workings());
  }
}

async function textsOf(elements: readonly { text(): Promise<string> }[]): Promise<readonly string[]> {
  return Promise.all(elements.map(async (element) => textOf(await element.text())));
}

const textOf = (text: string): string => text.trim().replace(/\s+/g, ' ');
