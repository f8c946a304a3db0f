import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Dialog } from '../ui/dialog';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { writeRigFile } from '@heliarch/core/rig';
import { RigOpening, type SameId } from './rig-opening';

/** Asks which of two rigs of one id stays: everyone who began from one file shares its id. */
@Component({
  selector: 'heli-same-id-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, NzButtonComponent],
  template: `
    <heli-dialog
      [heading]="name() + ' is in this browser already'"
      [isOpen]="true"
      width="min(520px, 100vw - 32px)"
      (closed)="opening.cancel()"
    >
      <p>{{ compared() }}</p>
      <div class="ways">
        <button type="button" nz-button (click)="opening.keepBoth(same())">Keep both</button>
        <button type="button" nz-button (click)="opening.replace(same())">
          Replace the one that is here
        </button>
        <button type="button" nz-button (click)="opening.cancel()">Cancel</button>
      </div>
      <p class="caption">
        What is replaced can be put back right afterwards. Both were begun from one file or one demo, so they
        count as one rig until you keep both.
      </p>
    </heli-dialog>
  `,
  styles: `
    p {
      padding: 8px 0;
    }
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      padding: 6px 0;
    }
  `,
})
export class SameIdDialog {
  protected readonly opening = inject(RigOpening);

  readonly same = input.required<SameId>();

  protected readonly name = computed(() => {
    const { found } = this.same();
    return found.isReadable ? found.rig.name : found.name;
  });

  protected readonly compared = computed(() => {
    const { found, rig, from } = this.same();
    if (!found.isReadable) return `The one that is here cannot be read by this version. ${from} can.`;
    const { savedBy: _build, ...given } = rig;
    const isSame = writeRigFile(given) === writeRigFile(found.rig);
    return isSame
      ? `${from} holds just what is here.`
      : `${from} holds another version of it, with ${given.loads.length} loads; the one here has ${found.rig.loads.length}.`;
  });
}
