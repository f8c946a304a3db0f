import { ChangeDetectionStrategy, Component, effect, inject, input, output, untracked } from '@angular/core';
import { CombinationList } from './combination-list';
import { PairMatrix } from './pair-matrix';
import { WhomState } from './whom-state';

/** The second view of Together: who runs with whom, and the largest combinations. */
@Component({
  selector: 'heli-who-with-whom',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CombinationList, PairMatrix],
  providers: [WhomState],
  template: `
    <h1 class="unseen">Who runs with whom</h1>
    <heli-pair-matrix (taken)="taken.emit()" />
    <heli-combination-list (taken)="taken.emit()" />
  `,
  styleUrl: './who-with-whom.css',
})
export class WhoWithWhom {
  private readonly state = inject(WhomState);
  /** The load that is asked about first. */
  readonly load = input<string>();
  /** A set was ticked, to be looked at. */
  readonly taken = output();

  constructor() {
    effect(() => {
      const id = this.load();
      if (id !== undefined) untracked(() => this.state.mustInclude.set([id]));
    });
  }
}
