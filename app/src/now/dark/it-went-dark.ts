import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  output,
  untracked,
} from '@angular/core';
import { SECONDS_PER_MINUTE } from '@heliarch/core/units';
import type { TripObservation } from '@heliarch/core/now';
import { AnswerState } from '../../parts/answer-state';
import { ChoiceBar, type Choice } from '../../ui/choice-bar';
import { Select } from '../../ui/select/select';
import { Checkbox } from '../../ui/checkbox';
import { VerdictMark } from '../../parts/verdict-mark';
import { countdown } from '../countdown';
import { NowState } from '../now-state';
import { DarkState } from './dark-state';
import { DeviceSign } from './device-sign';

type Went = TripObservation['went'];
type Pace = 'at-once' | 'seconds' | 'minutes' | '';
type Sign = TripObservation['noticed'][number];

const WENT: readonly Choice<Went>[] = [
  { id: 'all', label: 'All' },
  { id: 'some', label: 'Only some' },
];
const PACES: readonly Choice<Pace>[] = [
  { id: 'at-once', label: 'At once' },
  { id: 'seconds', label: 'After seconds' },
  { id: 'minutes', label: 'After minutes' },
];
const SIGNS: readonly { readonly id: Sign; readonly label: string }[] = [
  { id: 'beep', label: 'beep' },
  { id: 'click', label: 'click' },
  { id: 'dim', label: 'dim before' },
];

/** "It went dark": what was seen, the probable cause, the one look that tells, and the way back in order. */
@Component({
  selector: 'heli-it-went-dark',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, ChoiceBar, DeviceSign, Select, Checkbox, VerdictMark],
  providers: [DarkState],
  templateUrl: './it-went-dark.html',
  styleUrl: './it-went-dark.css',
})
export class ItWentDark {
  protected readonly now = inject(NowState);
  protected readonly dark = inject(DarkState);
  readonly left = output();

  protected readonly wentChoices = WENT;
  protected readonly paceChoices = PACES;
  protected readonly signs = SIGNS;
  protected readonly pace = computed((): Pace => this.dark.trip()?.observation.pace ?? '');
  protected readonly lastChoices = computed((): readonly Choice[] => [
    ...this.dark.wasOn().map(({ id, name }) => ({ id, label: name })),
    { id: NOTHING, label: 'Nothing was' },
  ]);
  protected readonly nothing = NOTHING;
  protected readonly when = computed(() => {
    const trip = this.dark.trip();
    if (!trip) return '';
    const minutes = Math.floor((this.now.nowS() - trip.atS) / SECONDS_PER_MINUTE);
    return `${this.now.clock(trip.atS)}${minutes > 0 ? `, ${minutes} min ago` : ''}`;
  });

  /** So long after it, it may have gone dark once more. */
  protected readonly isOld = computed(() => {
    const trip = this.dark.trip();
    return trip !== undefined && this.now.nowS() - trip.atS >= 2 * SECONDS_PER_MINUTE;
  });

  constructor() {
    const beginning = effect(() => {
      if (!this.now.isReady()) return;
      beginning.destroy();
      untracked(() => this.dark.begin());
    });
  }

  protected went(went: Went): void {
    this.dark.observe({ went, ...(went === 'all' && { stillOn: [] }) });
  }

  protected choosePace(pace: Pace): void {
    if (pace !== '') this.dark.observe({ pace });
  }

  protected stillOn(loadId: string, isOn: boolean): void {
    const before = this.dark.trip()?.observation.stillOn ?? [];
    const others = before.filter((id) => id !== loadId);
    this.dark.observe({ stillOn: isOn ? [...others, loadId] : others });
  }

  protected notice(sign: Sign, isNoticed: boolean): void {
    const before = this.dark.trip()?.observation.noticed ?? [];
    const others = before.filter((each) => each !== sign);
    this.dark.observe({ noticed: isNoticed ? [...others, sign] : others });
  }

  protected looked(at: string, saw: 'yes' | 'no'): void {
    const before = this.dark.trip()?.observation.looked ?? [];
    this.dark.observe({ looked: [...before, { at, saw }] });
  }

  protected lookAgain(): void {
    this.dark.observe({ looked: [] });
  }

  protected countdown(endsS: number): string {
    return countdown(endsS - this.now.nowS());
  }

  protected end(isLight: boolean): void {
    this.dark.end(isLight);
    this.left.emit();
  }

  protected forget(): void {
    this.dark.forget();
    this.left.emit();
  }
}

const NOTHING = 'nothing was started';
