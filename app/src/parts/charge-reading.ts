import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { formatDuration, MS_PER_SECOND } from '@heliarch/core/units';
import type { Scene } from '@heliarch/core/rig';
import { UnitChoice } from './unit-choice';
import { ChargeEntry, type ChargeRead } from './charge-entry';

const SAME_DAY_MS = 24 * 3600 * MS_PER_SECOND;

/** The charge of the battery as read by the user, with the age of the reading. */
@Component({
  selector: 'heli-charge-reading',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChargeEntry],
  template: `
    @if (isEditing()) {
      @defer (on immediate) {
        <heli-charge-entry [charge]="charge()" (left)="isEditing.set(false)" (read)="take($event)" />
      }
    } @else {
      <button type="button" class="link" (click)="isEditing.set(true)">{{ words() }}</button>
    }
  `,
  styles: `
    .link {
      min-height: var(--control);
      color: var(--ink-2);
    }
  `,
})
export class ChargeReading {
  private readonly units = inject(UnitChoice);
  readonly charge = input.required<Scene['charge']>();
  readonly read = output<ChargeRead>();

  protected readonly isEditing = signal(false);
  protected readonly words = computed(() => {
    const charge = this.charge();
    if (!charge) return 'Charge not entered';
    const at = new Date(charge.readAt);
    const ageMs = Date.now() - at.getTime();
    const clock = this.units.time(at);
    const when = ageMs < SAME_DAY_MS ? `read ${clock}` : `read ${formatDuration(ageMs / MS_PER_SECOND)} ago`;
    return `${charge.percent} % charged, ${when}`;
  });

  protected take(read: ChargeRead): void {
    this.isEditing.set(false);
    this.read.emit(read);
  }
}
