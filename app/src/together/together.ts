import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { limitLabel, type StartInOrder } from '@heliarch/core';
import { RigSession } from '../book/rig-session';
import { CautionLine } from '../ui/caution-line';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { LimitLadder } from '../ui/limit-ladder';
import { LoadList } from './load-list';
import { StartStaircase } from './staircase/start-staircase';
import { TogetherState } from './together-state';
import { VerdictHeadline } from './verdict-headline';

const PHONE_VIEWS: readonly Choice[] = [
  { id: 'loads', label: 'Loads' },
  { id: 'limits', label: 'Limits' },
];

/** The room of the question "can these run together on this supply?". */
@Component({
  selector: 'heli-together',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CautionLine, ChoiceBar, DatePipe, LimitLadder, LoadList, StartStaircase, VerdictHeadline],
  providers: [TogetherState],
  templateUrl: './together.html',
  styleUrl: './together.css',
})
export class Together {
  protected readonly state = inject(TogetherState);
  protected readonly kept = inject(RigSession).kept;
  protected readonly phoneViews = PHONE_VIEWS;
  protected readonly phoneView = signal('loads');

  protected readonly supplies = computed(() =>
    this.state.rig().supplies.map(({ id, name }): Choice => ({ id, label: name })),
  );

  /** How to read the picture: the order, and which limit it cannot show. */
  protected readonly caption = computed(() => {
    const { decider, starts } = this.state.result();
    if (decider?.element.kind === 'branch-breaker') {
      return `decided on a branch: ${limitLabel(this.state.rig(), decider)}, see the ladder`;
    }
    return starts.some(isByHand) ? 'in the best order, switched on from left to right' : 'in any order';
  });
}

const isByHand = (start: StartInOrder): boolean => start.moment === 'in-order';
