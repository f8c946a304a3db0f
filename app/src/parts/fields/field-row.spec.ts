import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { NzSelectComponent } from 'ng-zorro-antd/select';
import type { Rig } from '@heliarch/core/rig';
import type { Target } from '../../storage/rig-edits';
import { RigSession } from '../../storage/rig-session';
import { smallRig } from '../../storage/small-rig.testing';
import { UnitChoice } from '../unit-choice';
import { FieldRow } from './field-row';
import { SheetContext } from './sheet-context';

function field(target: Target, path: string, change: (rig: Rig) => Rig = (rig) => rig) {
  const rig = signal<Rig>(change(smallRig()));
  const session = { rig, change: (edit: (rig: Rig) => Rig) => rig.update(edit) };
  TestBed.configureTestingModule({ providers: [{ provide: RigSession, useValue: session }, SheetContext] });
  TestBed.inject(UnitChoice).choose('us');
  TestBed.inject(SheetContext).target.set(target);
  const fixture = TestBed.createComponent(FieldRow);
  fixture.componentRef.setInput('path', path);
  fixture.detectChanges();
  const host = fixture.nativeElement as HTMLElement;
  const box = (): HTMLInputElement => host.querySelector('input')!;
  const type = (text: string, into = box()): void => {
    into.value = text;
    into.dispatchEvent(new Event('input'));
    into.dispatchEvent(new Event('change'));
    fixture.detectChanges();
  };
  const select = (): NzSelectComponent =>
    fixture.debugElement.query(By.directive(NzSelectComponent)).componentInstance as NzSelectComponent;
  const choose = (option: string): void => {
    select().onItemClick(option);
    fixture.detectChanges();
  };
  const press = (label: RegExp): void => {
    [...host.querySelectorAll('button')].find((each) => label.test(each.ariaLabel ?? ''))!.click();
    fixture.detectChanges();
  };
  return { rig, host, box, type, select, choose, press, fixture };
}

const BANK: Target = { list: 'batteries', id: 'bank' };
const INVERTER: Target = { list: 'converters', id: 'inverter' };

describe('a field of a sheet', () => {
  it('shows the number with its basis, and what its doubt comes to', () => {
    const { box, host, choose, rig } = field({ list: 'loads', id: 'kettle' }, 'parts[0].runningW');
    expect(box().value).toBe('1,200');
    choose('guess');
    expect(rig().loads[0]?.parts[0]?.runningW?.basis).toBe('guess');
    expect(host.textContent).toContain('= 720 to 1,680 W');
  });

  it('never blocks typing: what is no number waits, says so, and changes nothing', () => {
    const { box, host, type, rig } = field(BANK, 'ampHours');
    type('2oo');
    expect(box().value).toBe('2oo');
    expect(box().getAttribute('aria-invalid')).toBe('true');
    expect(host.textContent).toContain('Amp-hours must be a number, such as 100');
    expect(rig().batteries[0]?.ampHours.value).toBe(100);
    type('-5');
    expect(host.textContent).toContain('must be a number of Ah from 1 to 100000; found -5');
    expect(rig().batteries[0]?.ampHours.value).toBe(100);
    type('250');
    expect(rig().batteries[0]?.ampHours.value).toBe(250);
  });

  it('converts at the edge and keeps what was typed as it was typed', () => {
    const { box, type, rig, fixture } = field(INVERTER, 'ratedUpToC');
    type('104');
    expect(rig().converters[0]?.ratedUpToC).toBeCloseTo(40, 9);
    expect(box().value).toBe('104');
    TestBed.inject(UnitChoice).choose('metric');
    fixture.detectChanges();
    expect(box().value).toBe('40');
    TestBed.inject(UnitChoice).choose('us');
  });

  it('reads shares in percent', () => {
    const { type, rig } = field(INVERTER, 'efficiencyFull');
    type('89');
    expect(rig().converters[0]?.efficiencyFull).toEqual({ value: 0.89, basis: 'data-sheet' });
  });

  it('is emptied by emptying it, where it may be left open', () => {
    const { type, rig, box } = field(BANK, 'reservePercent', (rig) => ({
      ...rig,
      batteries: rig.batteries.map((each) => ({ ...each, reservePercent: 20 })),
    }));
    expect(box().value).toBe('20');
    type('');
    expect('reservePercent' in rig().batteries[0]!).toBeFalse();
  });

  it('takes a half-width and what shares the doubt, and drops them with the number they belonged to', () => {
    const { host, type, press, choose, rig } = field({ list: 'loads', id: 'kettle' }, 'parts[0].runningW');
    choose('measured');
    press(/change the doubt/);
    const [, more, cause] = [...host.querySelectorAll<HTMLInputElement>('heli-doubt-sheet input')];
    type('100', more);
    type('hot day', cause);
    expect(rig().loads[0]?.parts[0]?.runningW).toEqual(
      jasmine.objectContaining({ value: 1200, plus: 100, commonCause: 'hot day' }),
    );
    type('1600');
    expect(rig().loads[0]?.parts[0]?.runningW?.plus).toBeUndefined();
  });

  it('fills in what is usual, marked as typical', () => {
    const { press, rig } = field(INVERTER, 'idleW');
    press(/take the typical 20 W/);
    expect(rig().converters[0]?.idleW).toEqual({ value: 20, basis: 'typical' });
  });

  it('offers what a reference may name, by name', () => {
    const { select, choose, rig } = field({ list: 'circuits', id: 'main' }, 'bus');
    expect(select().nzOptions.map(({ label }) => label)).toEqual(['Battery', 'Output']);
    choose('dc');
    expect(rig().circuits[0]?.bus).toBe('dc');
  });
});
