import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { AnswerState } from '../../parts/answer-state';
import { ChoiceBar, type Choice } from '../../ui/choice-bar';
import { DayState } from '../day-state';
import { ComparedDays } from './compared-days';
import { CostsOfPlan } from './costs-of-plan';
import { NightsOfPlan } from './nights-of-plan';
import { ProofOfPlan } from './proof-of-plan';
import { SurpriseInPlan } from './surprise-in-plan';

type Panel = 'night' | 'costs' | 'surprise' | 'proof' | 'compare';

const PANELS: readonly Choice<Panel>[] = [
  { id: 'night', label: 'The night' },
  { id: 'costs', label: 'Energy and costs' },
  { id: 'surprise', label: 'One surprise' },
  { id: 'proof', label: 'How good it is' },
  { id: 'compare', label: 'Beside another day' },
];

/** What else a person asks of a plan, below its drawing. */
@Component({
  selector: 'heli-plan-review',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, ChoiceBar, ComparedDays, CostsOfPlan, NightsOfPlan, ProofOfPlan, SurpriseInPlan],
  template: `
    <heli-choice-bar
      legend="What else to know of this plan"
      look="tabs"
      [choices]="panels"
      [selected]="panel()"
      (choose)="panel.set($event)"
    />
    @if (failed(); as answer) {
      <heli-answer-state what="What else to know of this plan" [answer]="answer" />
    }
    @if (state.review(); as review) {
      @switch (panel()) {
        @case ('night') {
          <heli-nights-of-plan [review]="review" (times)="times.emit()" />
        }
        @case ('costs') {
          <heli-costs-of-plan [review]="review" />
        }
        @case ('surprise') {
          <heli-surprise-in-plan [review]="review" />
        }
        @case ('proof') {
          <heli-proof-of-plan />
        }
        @case ('compare') {
          <heli-compared-days />
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
      padding-top: 14px;
    }
  `,
})
export class PlanReview {
  protected readonly state = inject(DayState);
  /** The times of the night are to be set. */
  readonly times = output();
  protected readonly panels = PANELS;
  protected readonly panel = signal<Panel>('night');
  protected readonly failed = computed(() => {
    const answer = this.state.reviewing();
    return answer?.status === 'failed' ? answer : undefined;
  });
}
