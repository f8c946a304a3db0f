import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { type Combination, VERDICT_WORDS } from '@heliarch/core/check';
import { PERCENT } from '@heliarch/core/units';
import { shortMargin } from '@heliarch/core/explain';
import { UnitChoice } from '../../parts/unit-choice';
import { VerdictMark } from '../../parts/verdict-mark';
import { WhomState } from './whom-state';

/** Where the limit stands in the small bars; what is over crosses it. */
const LIMIT_AT = 80;

/** A combination: its loads, how full the fullest limit is, and what is to spare. */
@Component({
  selector: 'heli-combination-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [VerdictMark],
  host: { '[class]': 'set().verdict', '[class.here]': 'isOn()' },
  template: `
    <span class="number figures">{{ set().loads.length }}</span>
    <span class="names">
      <span>
        @for (load of loads(); track load.id; let last = $last) {
          <span [class.pinned]="load.isPinned">{{ load.name }}</span>{{ last ? '' : ', ' }}
        }
      </span>
      @if (change(); as change) {
        <strong>{{ change }}.</strong>
      }
      <span class="caption">{{ why() }}</span>
    </span>
    <span class="bars" aria-hidden="true">
      <span class="running" [style.width.%]="bar(set().runningShare)"></span>
      <span class="start" [style.width.%]="bar(set().startShare)"></span>
    </span>
    <span class="spare figures">{{ spare() }}</span>
    <heli-verdict-mark [mark]="set().verdict" /><span class="unseen">{{ word() }}. </span>
    <button type="button" class="link" [attr.aria-label]="act() + ': ' + spoken()" (click)="taken.emit()">
      {{ act() }}
    </button>
  `,
  styleUrl: './combination-row.css',
})
export class CombinationRow {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(WhomState);
  readonly set = input.required<Combination>();
  /** What is said of all of them, and not of each. */
  readonly common = input<ReadonlySet<string>>(new Set());
  /** What has to be done for it, where something has. */
  readonly change = input<string>();
  readonly act = input('Tick these');
  readonly taken = output();

  protected readonly loads = computed(() => {
    const rig = this.state.together.rig();
    const pinned = new Set(this.state.mustInclude());
    return this.set()
      .loads.filter((id) => !this.common().has(id))
      .map((id) => ({
        id,
        name: rig.loads.find((load) => load.id === id)?.name ?? id,
        isPinned: pinned.has(id),
      }))
      .sort((a, b) => Number(b.isPinned) - Number(a.isPinned));
  });
  protected readonly spoken = computed(() =>
    this.loads()
      .map(({ name }) => name)
      .join(', '),
  );
  protected readonly why = computed(() => {
    const { notLast, decider } = this.set();
    const change = this.change();
    return [
      ...(notLast.length > 0 ? ['In this order only.'] : []),
      ...(decider && change === undefined ? [decider.start ? 'A start decides.' : 'What runs decides.'] : []),
    ].join(' ');
  });
  protected readonly spare = computed(() => {
    const { decider } = this.set();
    return decider ? shortMargin(this.numberStyle, decider) : '';
  });
  protected readonly word = computed(() => VERDICT_WORDS[this.set().verdict]);
  protected readonly isOn = computed(() => {
    const on = this.state.together.scene().on.map(({ load }) => load);
    const { loads } = this.set();
    return this.change() === undefined && on.length === loads.length && loads.every((id) => on.includes(id));
  });

  protected bar(share: number): number {
    return Math.min(PERCENT, share * LIMIT_AT);
  }
}
