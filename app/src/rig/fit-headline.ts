import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { RigState } from './rig-state';
import { FitMark } from './fit-mark';

/** Above the drawing, before anything is read: whether the parts fit, what fits least, and what to do about it. */
@Component({
  selector: 'heli-fit-headline',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FitMark],
  template: `
    @let first = worst();
    @if (first) {
      <heli-fit-mark [verdict]="first.verdict" [isWordShown]="true" />
      <p>
        <button type="button" class="link" (click)="state.select(first.list, first.entryId)">
          {{ first.title }}</button>.
        {{ first.fix }}
        @if (others() > 0) {
          <button type="button" class="link more" (click)="more.emit()">and {{ others() }} more</button>
        }
      </p>
    } @else {
      <heli-fit-mark verdict="holds" [isWordShown]="true" />
      <p>the parts fit each other, by the numbers entered.</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      gap: 8px;
      padding: 2px 0 6px;
    }
    p,
    heli-fit-mark {
      font-size: 15px;
      line-height: 20px;
    }
    heli-fit-mark {
      display: flex;
      gap: 6px;
      white-space: nowrap;
    }
    .more {
      margin-left: 4px;
      font-size: inherit;
    }
    p > .link:first-child {
      font-weight: 600;
      font-size: inherit;
    }
  `,
})
export class FitHeadline {
  protected readonly state = inject(RigState);
  /** The other parts that do not fit, or of which it is not known, are asked for. */
  readonly more = output();

  private readonly lacking = computed(() => this.state.checks().filter(({ verdict }) => verdict !== 'holds'));
  protected readonly worst = computed(() => this.lacking()[0]);
  protected readonly others = computed(() => this.lacking().length - 1);
}
