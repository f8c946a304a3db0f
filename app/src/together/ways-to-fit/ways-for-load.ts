import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Subject } from 'rxjs';
import { theLoad, type Load } from '@heliarch/core/rig';
import type { Way } from '@heliarch/core/check';
import { Answers } from '../../compute/answers';
import { latest, stoppable } from '../../compute/latest';
import { AnswerState } from '../../parts/answer-state';
import { LongWork } from '../../parts/long-work';
import { TogetherState } from '../together-state';
import { takeUpChanges, withWanted } from './take-up-changes';
import { WaysList } from './ways-list';

/** What lets a load that is off join what is on; it may be turned down, but not off. */
@Component({
  selector: 'heli-ways-for-load',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, LongWork, WaysList],
  template: `
    <h3>What would let {{ name() }} join</h3>
    @if (given(); as given) {
      <heli-ways-list
        [rig]="given.about.rig"
        [found]="given.value"
        (taken)="takeUp($event, given.about.wanted)"
      />
      @if (given.value.ways.length === 0 && given.value.extent !== 'so-far') {
        <p>No change and no two changes are enough.</p>
      }
    }
    <heli-long-work
      what="Looking for ways"
      [answer]="asked()?.newest"
      (stopped)="stops.next()"
      (again)="askAgain()"
    />
    @if (asked()?.newest?.status === 'failed') {
      <heli-answer-state what="The ways" [answer]="asked()?.newest" (again)="askAgain()" />
    }
  `,
  styles: `
    h3 {
      padding-top: 8px;
      font: var(--type-small-head);
    }
  `,
})
export class WaysForLoad {
  private readonly state = inject(TogetherState);
  private readonly answers = inject(Answers);
  private readonly takeUpChanges = takeUpChanges();
  readonly load = input.required<Load>();
  protected readonly name = computed(() => theLoad(this.load().name));
  protected readonly stops = new Subject<void>();

  private readonly attempt = signal(0);
  private readonly question = computed(() => {
    this.attempt();
    const { id } = this.load();
    const rig = this.state.rig();
    return {
      rig,
      wanted: id,
      scene: withWanted(this.state.scene(), id),
      startOrder: this.state.startOrder(),
    };
  });
  protected readonly asked = toSignal(
    latest(toObservable(this.question), ({ rig, scene, startOrder, wanted }) =>
      stoppable(this.answers.ask('search', rig, 'waysToFit', scene, startOrder, [wanted]), this.stops),
    ),
  );

  /** Of this very question. */
  protected readonly given = computed(() => {
    const given = this.asked()?.given;
    return given?.about === this.question() ? given : undefined;
  });

  protected askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }

  protected takeUp({ changes }: Way, wanted: string): void {
    this.takeUpChanges(changes, (scene) => withWanted(scene, wanted));
  }
}
