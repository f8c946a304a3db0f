import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import type { OneChangeAway } from '@heliarch/core/check';
import { changeWords } from '@heliarch/core/explain';
import { LongWork } from '../../parts/long-work';
import { UnitChoice } from '../../parts/unit-choice';
import { takeUpChanges } from '../ways-to-fit/take-up-changes';
import { CombinationRow } from './combination-row';
import { WhomState } from './whom-state';

interface Row extends OneChangeAway {
  readonly words: string;
}

/** Combinations that one change makes possible, and the change. */
@Component({
  selector: 'heli-one-change-away-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CombinationRow, LongWork],
  template: `
    @if (rows(); as rows) {
      @if (rows.length > 0) {
        <h2>One change away <span class="caption">more loads than any of these</span></h2>
        <ol>
          @for (row of rows; track row.words) {
            <li>
              <heli-combination-row act="Try it" [set]="row.set" [change]="row.words" (taken)="take(row)" />
            </li>
          }
        </ol>
      }
    }
    <heli-long-work
      what="Looking one change ahead"
      [answer]="state.awayAsked()?.newest"
      (stopped)="state.stop()"
      (again)="state.askAgain()"
    />
  `,
  styles: `
    h2 {
      margin-top: 16px;
      padding-bottom: 4px;
    }
    h2 .caption {
      margin-left: 4px;
      font-weight: 400;
    }
    ol {
      border-top: 1px solid var(--ink);
    }
  `,
})
export class OneChangeAwayList {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(WhomState);
  private readonly takeUpChanges = takeUpChanges();
  readonly taken = output();

  protected readonly rows = computed(() => {
    const given = this.state.away();
    return given?.value.map(({ change, set }): Row => {
      const words =
        change.by === 'order' || change.by === 'off'
          ? ''
          : changeWords(this.numberStyle, given.about.rig, change);
      return { change, set, words };
    });
  });

  /** The set is ticked and the change is made, in one step. */
  protected take({ change, set }: OneChangeAway): void {
    this.takeUpChanges([change], ({ on }) => ({
      on: set.loads.map((load) => on.find((entry) => entry.load === load) ?? { load }),
    }));
    this.taken.emit();
  }
}
