import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { AnswerState } from '../../parts/answer-state';
import { LongWork } from '../../parts/long-work';
import { TogetherState } from '../together-state';
import { takeUpChanges } from './take-up-changes';
import { WaysList } from './ways-list';

/** Ways to make the set that is on fit. */
@Component({
  selector: 'heli-ways-for-set',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, LongWork, WaysList],
  template: `
    <h2>Ways to make it fit <span class="caption">least effort first</span></h2>
    @if (given(); as given) {
      <heli-ways-list [rig]="given.about.rig" [found]="given.value" (taken)="takeUp($event.changes)" />
      @if (given.value.ways.length === 0 && given.value.extent !== 'so-far') {
        <p>No change and no two changes are enough, and nothing that stays on holds.</p>
      }
    }
    <heli-long-work
      what="Looking for ways"
      [answer]="newest()"
      (stopped)="state.stopSearching()"
      (again)="state.askAgain()"
    />
    @if (newest()?.status === 'failed') {
      <heli-answer-state what="The ways" [answer]="newest()" (again)="state.askAgain()" />
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 20px;
    }
    h2 {
      padding-bottom: 4px;
      border-bottom: 1px solid var(--ink);
    }
    h2 .caption {
      margin-left: 4px;
      font-weight: 400;
    }
    p {
      padding: 6px 0;
      color: var(--ink-2);
    }
  `,
})
export class WaysForSet {
  protected readonly state = inject(TogetherState);
  protected readonly takeUp = takeUpChanges();
  protected readonly newest = computed(() => this.state.waysAsked()?.newest);
  protected readonly given = this.state.ways;
}
