import { ErrorHandler } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { NzDatePickerComponent } from 'ng-zorro-antd/date-picker';
import { By } from '@angular/platform-browser';
import { MomentPicker } from './moment-picker';

describe('a date that is picked', () => {
  it('may be left before its calendar is drawn (ng-zorro-antd 21.3.3 asks a calendar that is not there)', async () => {
    const met: unknown[] = [];
    const handler = { handleError: (error: unknown) => void met.push(error) };
    TestBed.configureTestingModule({
      providers: [{ provide: ErrorHandler, useValue: handler }],
      rethrowApplicationErrors: false,
    });
    const fixture = TestBed.createComponent(MomentPicker);
    for (const [name, value] of Object.entries({ kind: 'date', boxId: 'begins', text: '2026-06-12' }))
      fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    const calendar = fixture.debugElement.query(By.directive(NzDatePickerComponent))
      .componentInstance as NzDatePickerComponent;
    const box = (fixture.nativeElement as HTMLElement).querySelector('input')!;
    calendar.open();
    box.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
    await fixture.whenStable();
    expect(met).toEqual([]);
    expect(calendar.realOpenState).toBeFalse();
    expect(box.value).toBe('2026-06-12');
  });
});
