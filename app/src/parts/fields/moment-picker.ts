import {
  afterEveryRender,
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { format, isValid, parse } from 'date-fns';
import { enGB } from 'date-fns/locale';
import { NzDatePickerComponent } from 'ng-zorro-antd/date-picker';
import { en_GB, NzI18nService } from 'ng-zorro-antd/i18n';
import { NzTimePickerComponent } from 'ng-zorro-antd/time-picker';
import { FieldStyles } from '../../ui/library/field-styles';
import { LibraryStyles } from '../../ui/library/library-styles';
import { PickerStyles } from '../../ui/library/picker-styles';
import { UnitChoice } from '../unit-choice';
import { speakPanel } from './spoken-panel';

/** As a rig file has them. */
const IN_FILE = { time: 'HH:mm', date: 'yyyy-MM-dd' } as const;
const STEP_MINUTES = 5;

/** A day of the calendar, or a time of the day, typed or picked. */
@Component({
  selector: 'heli-moment-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzDatePickerComponent, NzTimePickerComponent, ReactiveFormsModule],
  template: `
    @if (kind() === 'date') {
      <nz-date-picker
        [nzId]="boxId()"
        nzFormat="yyyy-MM-dd"
        nzPlaceHolder="left open"
        [nzAllowClear]="!isRequired()"
        [formControl]="control"
      />
    } @else {
      <nz-time-picker
        [nzId]="boxId()"
        [nzFormat]="isTwelve() ? 'h:mm a' : 'HH:mm'"
        [nzUse12Hours]="isTwelve()"
        [nzMinuteStep]="step"
        nzPlaceHolder="left open"
        nzClearText="Leave open"
        [nzAllowEmpty]="!isRequired()"
        [formControl]="control"
      />
    }
  `,
  host: { '[class.open]': "text() === ''" },
})
export class MomentPicker {
  readonly kind = input.required<'time' | 'date'>();
  readonly boxId = input.required<string>();
  /** As the rig has it; empty where it is left open. */
  readonly text = input.required<string>();
  readonly isRequired = input(false);
  /** As the rig file has it; empty where it is left open. */
  readonly picked = output<string>();

  private readonly units = inject(UnitChoice);
  protected readonly isTwelve = computed(() => this.units.clock() === '12');
  protected readonly step = STEP_MINUTES;
  protected readonly control = new FormControl<Date | null>(null);
  private readonly application = inject(ApplicationRef);
  private readonly calendar = viewChild(NzDatePickerComponent);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    host.addEventListener('input', () => this.drawOpenCalendar(), { capture: true });
    host.addEventListener('focusout', (event) => this.leaveUndrawnCalendar(event), { capture: true });
    const styles = inject(LibraryStyles);
    styles.bring(FieldStyles);
    styles.bring(PickerStyles);
    const i18n = inject(NzI18nService);
    i18n.setLocale(en_GB);
    i18n.setDateLocale(enGB);
    afterEveryRender(() => speakPanel(this.kind() === 'date' ? 'Pick a date' : 'Pick a time'));
    effect(() => {
      const at = parse(this.text(), IN_FILE[this.kind()], new Date());
      this.control.setValue(isValid(at) ? at : null, { emitEvent: false });
    });
    this.control.valueChanges.pipe(takeUntilDestroyed()).subscribe((at) => {
      const text = at && isValid(at) ? format(at, IN_FILE[this.kind()]) : '';
      if (text !== this.text()) this.picked.emit(text);
    });
  }

  /** The library opens its calendar at once, draws it later, and in between asks it in vain what is typed. */
  private drawOpenCalendar(): void {
    if (this.isUndrawn()) this.application.tick();
  }

  private leaveUndrawnCalendar(event: Event): void {
    if (!this.isUndrawn()) return;
    event.stopPropagation();
    this.calendar()?.close();
  }

  private isUndrawn(): boolean {
    const calendar = this.calendar();
    return calendar?.realOpenState === true && (calendar.panel as unknown) === undefined;
  }
}
