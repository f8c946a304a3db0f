import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { formatAmount, formatNumber } from '@heliarch/core/units';
import { USUAL_UNPLANNED_W, type UnplannedLoad, type Verdict } from '@heliarch/core/check';
import { of } from 'rxjs';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';
import { UnitChoice } from '../parts/unit-choice';
import { VerdictMark } from '../parts/verdict-mark';
import { NowState } from './now-state';

/** One surprise: a guest plugs something in that nobody planned. */
@Component({
  selector: 'heli-guest-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  template: `
    <button type="button" class="link" [attr.aria-expanded]="isOpen()" (click)="isOpen.set(!isOpen())">
      A guest plugs in {{ watts }} W
    </button>
    @if (isOpen()) {
      <ul aria-label="On which outlet">
        @for (row of rows(); track row.id) {
          <li>
            <heli-verdict-mark [mark]="row.mark" [class]="row.mark" />
            <span
              ><strong>{{ row.name }}</strong> {{ row.says }}</span
            >
          </li>
        } @empty {
          <li>{{ asked()?.newest?.status === 'given' ? 'No outlet is fed here.' : '…' }}</li>
        }
      </ul>
    }
  `,
  styles: `
    .link {
      min-height: max(36px, var(--touch));
    }
    li {
      display: grid;
      grid-template-columns: 16px 1fr;
      align-items: baseline;
      gap: 8px;
      padding: 6px 0;
      border-top: 1px solid var(--rule);
    }
  `,
})
export class GuestLine {
  private readonly state = inject(NowState);
  private readonly units = inject(UnitChoice);
  private readonly answers = inject(Answers);
  protected readonly isOpen = signal(false);
  protected readonly watts = formatNumber(this.units.numbers, USUAL_UNPLANNED_W, 0);

  protected readonly asked = toSignal(
    latest(
      toObservable(
        computed(() => (this.isOpen() ? { rig: this.state.rig(), scene: this.state.scene() } : undefined)),
      ),
      (asked) =>
        asked
          ? this.answers.ask('tick', asked.rig, 'unplannedLoads', asked.scene, USUAL_UNPLANNED_W)
          : of({ status: 'given' as const, value: [] as readonly UnplannedLoad[] }),
    ),
  );
  protected readonly rows = computed(() =>
    (this.asked()?.given?.value ?? []).map((unplanned) => ({
      id: unplanned.circuit.id,
      name: unplanned.circuit.name,
      mark: unplanned.limit?.verdict ?? ('holds' as const),
      says: this.says(unplanned),
    })),
  );

  private says({ limit, mostW }: UnplannedLoad): string {
    const most =
      mostW > 0
        ? `at most ${formatAmount(this.units.numbers, mostW, 'W', 'at-least')} holds`
        : 'nothing more holds';
    const verdict = limit?.verdict ?? 'holds';
    return verdict === 'holds' ? WORDS.holds : `${WORDS[verdict]}: ${most}.`;
  }
}

const WORDS: Readonly<Record<Verdict, string>> = {
  holds: 'Yes.',
  tight: 'Maybe',
  'likely-trips': 'Probably not',
  trips: 'No',
};
