import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import type { Amount } from '@heliarch/core/units';
import { UnitChoice } from '../unit-choice';
import { QuantityControl, type Known } from './quantity-control';
import { QuantityHarness } from './quantity-control.harness';

@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [QuantityControl, ReactiveFormsModule],
  template: `<heli-quantity
    name="Running"
    unit="W"
    role="running"
    kind="resistance-cooker"
    [otherUnits]="['A']"
    [formControl]="control"
    (amountIn)="amount.set($event)"
  />`,
})
class Host {
  readonly control = new FormControl<Known>({ value: 1420, basis: 'typical', minus: 5, plus: 5 });
  readonly amount = signal<Amount | undefined>(undefined);
}

async function setUp() {
  TestBed.inject(UnitChoice).choose('us');
  const fixture = TestBed.createComponent(Host);
  const quantity = await TestbedHarnessEnvironment.loader(fixture).getHarness(QuantityHarness);
  const { control, amount } = fixture.componentInstance;
  return { control, amount, quantity };
}

describe('a quantity', () => {
  it('takes a number as typed, and takes one typed over a typical value for one that was read', async () => {
    const { control, quantity } = await setUp();
    expect(await quantity.shows()).toBe('1,420');
    await quantity.type('1,500');
    expect(control.value).toEqual({ value: 1500, basis: 'nameplate' });
    expect(await quantity.note()).toBe('= 1,125 to 1,650 W');
    await quantity.type('0,5');
    expect(control.value).toEqual({ value: 0.5, basis: 'nameplate' });
  });

  it('reads a unit after the number, and hands one of another kind on', async () => {
    const { control, amount, quantity } = await setUp();
    await quantity.type('1.5 kW');
    expect(control.value).toEqual({ value: 1500, basis: 'nameplate' });
    await quantity.leave();
    expect(await quantity.shows())
      .withContext('once it is left')
      .toBe('1,500');
    await quantity.type('35 A');
    expect(amount()).toEqual({ value: 35, unit: 'A' });
    expect(control.valid).toBeTrue();
  });

  it('never blocks typing: what is no number waits, says what is wrong and changes nothing', async () => {
    const { control, quantity } = await setUp();
    await quantity.type('14x');
    expect(await quantity.note()).toBe('Running must be a number, such as 1,420 W');
    await quantity.leave();
    expect(await quantity.shows()).toBe('14x');
    expect(control.hasError('unreadable')).toBeTrue();
    expect(control.value).toEqual(jasmine.objectContaining({ value: 1420 }));
    await quantity.escape();
    expect(await quantity.shows())
      .withContext('taken back')
      .toBe('1,420');
    expect(control.valid).toBeTrue();
  });

  it('is empty where nothing is known, and shows what comes from elsewhere', async () => {
    const { control, quantity } = await setUp();
    await quantity.type('');
    expect(control.value).toBeNull();
    control.setValue({ value: 900, basis: 'measured' });
    await new Promise((resolve) => setTimeout(resolve));
    expect([await quantity.shows(), await quantity.note()]).toEqual(['900', '= 873 to 927 W']);
  });
});
