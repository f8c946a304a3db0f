import type { ElementRef } from '@angular/core';
import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { writeRigFile } from '@heliarch/core';
import { RigOpening, type SameId } from './rig-opening';

/** Asks which of two rigs of one id stays: everyone who began from one file shares its id. */
@Component({
  selector: 'heli-same-id-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dialog #dialog aria-labelledby="same-id-title" (close)="opening.cancel()">
      <h2 id="same-id-title">{{ name() }} is in this browser already</h2>
      <p>{{ compared() }}</p>
      <div class="ways">
        <button type="button" class="plain-button" (click)="opening.keepBoth(same())">Keep both</button>
        <button type="button" class="plain-button" (click)="opening.replace(same())">
          Replace the one that is here
        </button>
        <button type="button" class="plain-button" (click)="dialog.close()">Cancel</button>
      </div>
      <p class="caption">
        What is replaced can be put back right afterwards. Both were begun from one file or one demo, so they
        count as one rig until you keep both.
      </p>
    </dialog>
  `,
  styleUrl: '../components/dialog.css',
  styles: `
    dialog {
      max-width: 520px;
    }
    h2 {
      overflow-wrap: anywhere;
    }
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
  private readonly dialog = viewChild.required<ElementRef<HTMLDialogElement>>('dialog');

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

  constructor() {
    afterNextRender(() => this.dialog().nativeElement.showModal());
  }
}
