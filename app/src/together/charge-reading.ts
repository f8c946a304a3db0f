import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { formatDuration, parseNumber, type Scene } from '@heliarch/core';
import { UnitChoice } from '../components/unit-choice';

const MS_PER_SECOND = 1000;
const SAME_DAY_MS = 24 * 3600 * MS_PER_SECOND;

/** The charge of the battery as read by the user, with the age of the reading. */
@Component({
  selector: 'heli-charge-reading',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonModule],
  template: `
    @if (isEditing()) {
      <form (submit)="take(field.value); $event.preventDefault()">
        <label for="charge">Charge now</label>
        <input
          #field
          id="charge"
          class="figures"
          inputmode="decimal"
          autocomplete="off"
          [value]="charge()?.percent ?? ''"
          [attr.aria-invalid]="isWrong()"
          aria-describedby="charge-note"
          (keydown.escape)="isEditing.set(false)"
        />
        <span>%</span>
        <button type="submit" nz-button>Note it</button>
        <span id="charge-note" role="alert">{{ isWrong() ? 'From 0 to 100.' : '' }}</span>
      </form>
    } @else {
      <button type="button" class="link" (click)="isEditing.set(true)">{{ words() }}</button>
    }
  `,
  styles: `
    form {
      display: flex;
      align-items: baseline;
      gap: 6px;
      color: var(--ink-2);
    }
    input {
      width: 44px;
      height: 28px;
      border: 0;
      border-bottom: 2px solid var(--ink);
      background: none;
      font-size: 16px;
      text-align: right;
    }
    .link {
      min-height: 28px;
      color: var(--ink-2);
    }
    @media (pointer: coarse) {
      .link,
      input {
        min-height: 44px;
      }
    }
  `,
})
export class ChargeReading {
  private readonly units = inject(UnitChoice);
  readonly charge = input.required<Scene['charge']>();
  readonly read = output<number>();

  protected readonly isEditing = signal(false);
  protected readonly isWrong = signal(false);

  protected readonly words = computed(() => {
    const charge = this.charge();
    if (!charge) return 'Charge not entered';
    const at = new Date(charge.readAt);
    const ageMs = Date.now() - at.getTime();
    const clock = this.units.time(at);
    const when = ageMs < SAME_DAY_MS ? `read ${clock}` : `read ${formatDuration(ageMs / MS_PER_SECOND)} ago`;
    return `${charge.percent} % charged, ${when}`;
  });

  protected take(text: string): void {
    const percent = parseNumber(this.units.numbers, text);
    const isUsable = percent !== undefined && percent >= 0 && percent <= 100;
    this.isWrong.set(!isUsable);
    if (!isUsable) return;
    this.isEditing.set(false);
    this.read.emit(percent);
  }
}
