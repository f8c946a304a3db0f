import { ComponentHarness, TestKey } from '@angular/cdk/testing';

/** The charge reading as a person meets it: one line that opens to a field. */
export class ChargeReadingHarness extends ComponentHarness {
  static readonly hostSelector = 'heli-charge-reading';

  private readonly opener = this.locatorFor('button');
  private readonly field = this.locatorForOptional('input');
  private readonly entry = this.locatorForOptional('form');

  async says(): Promise<string> {
    return (await this.host()).text();
  }

  async open(): Promise<void> {
    await (await this.opener()).click();
  }

  async isOpen(): Promise<boolean> {
    return (await this.field()) !== null;
  }

  /** Types over what stands there, and enters it. */
  async enter(text: string): Promise<void> {
    const field = await this.field();
    await field?.clear();
    await field?.sendKeys(text, TestKey.ENTER);
    await (await this.entry())?.dispatchEvent('submit');
  }
}
