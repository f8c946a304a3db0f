import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Quantity } from '@heliarch/core';
import { QuantityField } from './quantity-field';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityField],
  template: `<heli-quantity-field
    label="Running"
    unit="W"
    purpose="running"
    kind="resistance-cooker"
    [quantity]="quantity()"
    [faultOf]="faultOf"
    (corrected)="quantity.set($event)"
  />`,
})
class Host {
  readonly quantity = signal<Quantity>({ value: 1420, basis: 'nameplate', minus: 5, plus: 5 });
  readonly faultOf = (candidate: Quantity) => (candidate.value < 0 ? 'must be 0 or more' : undefined);
}

async function setUp() {
  const fixture = TestBed.createComponent(Host);
  await fixture.whenStable();
  const root = fixture.nativeElement as HTMLElement;
  const input = root.querySelector<HTMLInputElement>('input[type=text]')!;
  return {
    host: fixture.componentInstance,
    input,
    note: () => root.querySelector('.note')!.textContent,
    type: async (text: string) => {
      input.value = text;
      input.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    },
    leave: async () => {
      input.dispatchEvent(new Event('blur'));
      await fixture.whenStable();
    },
    choose: async (basis: string) => {
      const radios = [...root.querySelectorAll<HTMLInputElement>('input[type=radio]')];
      radios.find((radio) => radio.closest('label')!.title === basis)!.click();
      await fixture.whenStable();
    },
  };
}

describe('a quantity field', () => {
  it('takes a number as typed and lets the doubt of its basis apply again', async () => {
    const { host, type, note, input } = await setUp();
    expect(input.value).toBe('1,420');
    await type('1,500');
    expect(host.quantity()).toEqual({ value: 1500, basis: 'nameplate' });
    expect(note()).toBe('= 1,125 to 1,650 W, nameplate');
    await type('0,5');
    expect(host.quantity().value).toBe(0.5);
  });

  it('narrows the doubt when the number was measured', async () => {
    const { choose, note } = await setUp();
    await choose('measured');
    expect(note()).toBe('= 1,377 to 1,463 W, measured');
  });

  it('never blocks typing: an unusable text stays, says what is wrong and changes nothing', async () => {
    const { host, type, note, leave, input } = await setUp();
    for (const [text, told] of [
      ['14x', 'Running must be a number of W, such as 1,420 W'],
      ['-3', 'Running must be 0 or more'],
    ] as const) {
      await type(text);
      expect(note()).toBe(told);
      expect(input.value).toBe(text);
      expect(host.quantity().value).toBe(1420);
    }
    await leave();
    expect(input.value).toBe('1,420');
  });
});
