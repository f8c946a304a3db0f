import { TestBed } from '@angular/core/testing';
import { ChargeReading } from './charge-reading';

const NOW = new Date('2026-06-12T15:00:00Z');

async function reading(charge: { percent: number; readAt: string } | undefined) {
  jasmine.clock().install().mockDate(NOW);
  const fixture = TestBed.createComponent(ChargeReading);
  fixture.componentRef.setInput('charge', charge);
  const noted: number[] = [];
  fixture.componentInstance.read.subscribe(({ percent }) => noted.push(percent));
  fixture.detectChanges();
  jasmine.clock().uninstall();
  await fixture.whenStable();
  return { fixture, root: fixture.nativeElement as HTMLElement, noted };
}

describe('the charge reading', () => {
  it('says when it was read, or how long ago where that is not today', async () => {
    const said = async (charge?: { percent: number; readAt: string }) =>
      (await reading(charge)).root.textContent.trim();
    expect(await said({ percent: 82, readAt: '2026-06-12T14:00:00Z' })).toMatch(
      /^82 % charged, read \d\d:00$/,
    );
    expect(await said({ percent: 64, readAt: '2026-06-09T15:00:00Z' })).toBe('64 % charged, read 3 days ago');
    expect(await said()).toBe('Charge not entered');
  });

  it('takes a number from 0 to 100 and nothing else', async () => {
    const { fixture, root, noted } = await reading(undefined);
    root.querySelector('button')?.click();
    await fixture.whenStable();
    await fixture.whenStable();
    const enter = async (text: string) => {
      const input = root.querySelector('input');
      if (!input) return;
      input.value = text;
      input.dispatchEvent(new Event('input'));
      root.querySelector('form')?.dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
    };
    await enter('101');
    expect(root.querySelector('.note')?.textContent).toContain('Charge now must be from 0 to 100');
    await enter('half');
    expect(root.querySelector('.note')?.textContent).toContain('Charge now must be a number');
    await enter('71,5');
    expect(noted).toEqual([71.5]);
    expect(root.querySelector('input')).toBeNull();
  });
});
