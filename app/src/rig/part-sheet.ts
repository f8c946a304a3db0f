import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { EntrySheet } from './entry-sheet';
import { RigState } from './rig-state';

/** The sheet of what is selected: another one for each entry, so that no field outlives its own. */
@Component({
  selector: 'heli-part-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [EntrySheet],
  template: `
    @for (target of [state.selected()]; track target.list + ' ' + target.id) {
      <heli-entry-sheet [target]="target" />
    }
  `,
})
export class PartSheet {
  protected readonly state = inject(RigState);
}
