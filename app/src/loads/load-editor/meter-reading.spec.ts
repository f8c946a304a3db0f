import { TestBed } from '@angular/core/testing';
import { MeterReading, type Metered } from './meter-reading';

function setUp(asksForState = false) {
  const fixture = TestBed.createComponent(MeterReading);
  fixture.componentRef.setInput('asksForState', asksForState);
  const taken: Metered[] = [];
  fixture.componentInstance.taken.subscribe((found) => taken.push(found));
  fixture.detectChanges();
  const host = fixture.nativeElement as HTMLElement;
  const type = (...texts: readonly string[]): void => {
    [...host.querySelectorAll<HTMLInputElement>('heli-quantity input')].forEach((box, index) => {
      box.value = texts[index] ?? '';
      box.dispatchEvent(new Event('input'));
    });
    fixture.detectChanges();
  };
  const button = host.querySelector('button')!;
  return { fixture, host, type, button, taken };
}

describe('a meter reading', () => {
  it('gives watts and power factor: 122 V, 4.74 A, 553 W (common practice, no published source)', () => {
    const { host, type, button, taken } = setUp();
    type('122', '4.74', '553');
    expect(host.textContent).toContain('= 578 VA, power factor 0.96');
    button.click();
    expect(taken[0]?.watts).toBe(553);
    expect(taken[0]?.powerFactor).toBeCloseTo(0.956, 3);
  });

  it('is not taken where watts exceed volts times amps, and says why', () => {
    const { host, type, button } = setUp();
    type('120', '4', '553');
    expect(host.textContent).toContain('553 W are more than 480 VA');
    expect(button.disabled).toBeTrue();
  });

  it('of a compressor asks first whether it was heard on a warm day (slip 9)', () => {
    const { host, type, button, fixture } = setUp(true);
    type('120', '5', '550');
    expect(button.disabled).toBeTrue();
    host.querySelector<HTMLInputElement>('heli-checkbox input')!.click();
    fixture.detectChanges();
    expect(button.disabled).toBeFalse();
  });
});
