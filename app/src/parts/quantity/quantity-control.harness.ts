import { ComponentHarness, TestKey } from '@angular/cdk/testing';

/** A quantity as a person meets it: a field, and beside it what it comes to or what is wrong. */
export class QuantityHarness extends ComponentHarness {
  static readonly hostSelector = 'heli-quantity';

  private readonly field = this.locatorFor('input[type=text]');

  async shows(): Promise<string> {
    return (await this.field()).getProperty<string>('value');
  }

  /** The text beside the field. */
  async note(): Promise<string> {
    const described = (await (await this.field()).getAttribute('aria-describedby')) ?? '';
    return (await (await this.locatorFor(`[id="${described}"]`)()).text()).trim();
  }

  async type(text: string): Promise<void> {
    const field = await this.field();
    await field.setInputValue(text);
    await field.dispatchEvent('input');
  }

  async leave(): Promise<void> {
    await (await this.field()).dispatchEvent('blur');
  }

  async escape(): Promise<void> {
    await (await this.field()).sendKeys(TestKey.ESCAPE);
  }
}
