import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed } from '@angular/core/testing';
import { ChargeReading } from './charge-reading';
import { ChargeReadingHarness } from './charge-reading.harness';

const NOW = new Date('2026-06-12T15:00:00Z');

async function reading(charge?: { percent: number; readAt: string }) {
  jasmine.clock().install().mockDate(NOW);
  const fixture = TestBed.createComponent(ChargeReading);
  fixture.componentRef.setInput('charge', charge);
  const noted: number[] = [];
  fixture.componentInstance.read.subscribe(({ percent }) => noted.push(percent));
  fixture.detectChanges();
  jasmine.clock().uninstall();
  const line = await TestbedHarnessEnvironment.harnessForFixture(fixture, ChargeReadingHarness);
  return { line, noted };
}

describe('the charge reading', () => {
  it('says when it was read, or how long ago where that is not today', async () => {
    const said = async (charge?: { percent: number; readAt: string }) => (await reading(charge)).line.says();
    expect(await said({ percent: 82, readAt: '2026-06-12T14:00:00Z' })).toMatch(
      /^82 % charged, read \d\d:00$/,
    );
    expect(await said({ percent: 64, readAt: '2026-06-09T15:00:00Z' })).toBe('64 % charged, read 3 days ago');
    expect(await said()).toBe('Charge not entered');
  });

  it('takes a number from 0 to 100 and nothing else', async () => {
    const { line, noted } = await reading();
    await line.open();
    await line.enter('101');
    expect(await line.says()).toContain('Charge now must be from 0 to 100');
    await line.enter('half');
    expect(await line.says()).toContain('Charge now must be a number');
    expect([noted, await line.isOpen()]).toEqual([[], true]);
    await line.enter('71,5');
    expect([noted, await line.isOpen()]).toEqual([[71.5], false]);
  });
});
