import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { batteryClockOf } from '@heliarch/core/check';
import { formatAmount, formatDuration, SECONDS_PER_MINUTE } from '@heliarch/core/units';
import { ChargeEntry, type ChargeRead } from '../parts/charge-entry';
import { UnitChoice } from '../parts/unit-choice';
import { NowState } from './now-state';

/** The charge with the age of its reading, how fast it falls, and how long it lasts. */
@Component({
  selector: 'heli-charge-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChargeEntry],
  template: `
    @if (isReading()) {
      <heli-charge-entry [charge]="kept()" (left)="isReading.set(false)" (read)="take($event)" />
    } @else {
      <button type="button" class="reading" (click)="isReading.set(true)">
        <span class="figure figures">{{ figure() }}</span>
        <span class="caption">{{ words() }}</span>
      </button>
    }
  `,
  styleUrl: './reading.css',
})
export class ChargeLine {
  private readonly state = inject(NowState);
  private readonly units = inject(UnitChoice);
  protected readonly isReading = signal(false);
  protected readonly kept = computed(() => this.state.scene().charge);
  private readonly clock = computed(() => batteryClockOf(this.state.scene(), this.state.result()));

  protected readonly figure = computed(() => {
    const charge = this.state.at().charge;
    return charge ? `${charge.percent} %` : 'Charge';
  });
  protected readonly words = computed(() => {
    const charge = this.state.at().charge;
    const clock = this.clock();
    const falls = clock
      ? `falling ${formatAmount(this.units.numbers, clock.amps.stated, 'A')} by my ticks`
      : 'not drawn on';
    if (!charge) return `not read yet, ${falls}`;
    const age = this.state.nowS() - charge.atS;
    return `read ${age < SECONDS_PER_MINUTE ? 'just now' : `${formatDuration(age)} ago`}, ${falls}${this.lasts()}`;
  });

  private lasts(): string {
    const seconds = this.clock()?.reserveInS;
    return seconds === undefined || !Number.isFinite(seconds)
      ? ''
      : `, reserve ${formatDuration(seconds)} after it`;
  }

  protected take(read: ChargeRead): void {
    this.isReading.set(false);
    this.state.readCharge(read);
  }
}
