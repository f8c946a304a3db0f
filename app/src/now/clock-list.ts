import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { clockWords } from '@heliarch/core/now';
import { ClockBell } from './clock-bell';
import { countdown } from './countdown';
import { NowState } from './now-state';

/** Every clock that runs, the first to end first: waits, timers, stages, and what cannot stay on. */
@Component({
  selector: 'heli-clock-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [ClockBell],
  template: `
    @if (rows().length > 0) {
      <ul aria-label="Clocks">
        @for (row of rows(); track row.id) {
          <li [class.over]="row.isOver">
            <span class="name"
              >{{ row.name }} <span class="caption">{{ row.what }}</span></span
            >
            @if (row.isOver && row.isTimer) {
              <button type="button" class="link" (click)="state.time(row.loadId ?? '', undefined)">
                Done
              </button>
            } @else {
              <span class="left figures" role="timer">{{ row.isOver ? 'now' : row.left }}</span>
            }
          </li>
        }
      </ul>
      @if (bell.mayAsk()) {
        <button type="button" class="link" (click)="bell.ask()">Tell me when they end</button>
      }
    }
  `,
  styles: `
    li {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 12px;
      min-height: 40px;
      border-bottom: 1px solid var(--rule);
    }
    .name {
      font-weight: 500;
      font-size: 14.5px;
    }
    .caption {
      font-weight: 400;
    }
    .left {
      font: 600 20px/26px var(--figures);
    }
    .over {
      box-shadow: inset 4px 0 0 var(--sun);
      padding-left: 10px;
    }
    .link {
      min-height: max(36px, var(--touch));
    }
  `,
})
export class ClockList {
  protected readonly state = inject(NowState);
  protected readonly bell = inject(ClockBell);

  protected readonly rows = computed(() =>
    this.state.clocks().map((clock) => ({
      id: clock.id,
      loadId: clock.loadId,
      isTimer: clock.of === 'timer',
      ...clockWords(clock),
      isOver: clock.endsS <= this.state.nowS(),
      left: countdown(clock.endsS - this.state.nowS()),
    })),
  );

  constructor() {
    effect(() => this.bell.follow(this.state.clocks(), this.state.nowS()));
  }
}
