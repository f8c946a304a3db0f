import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import type { Rig } from '@heliarch/core/rig';
import { RigFiles } from '../storage/rig-files';
import { RigRepository } from '../storage/rig-repository';
import { RigShelf } from '../storage/rig-shelf';
import type { UnreadableRig } from '../storage/stored-rig';
import { OWN_IDS } from './rig-opening';
import { Notices } from './notices';

const MOST_REASONS = 5;

/** A rig of this browser that this build cannot read: it stays as it is until the user says otherwise. */
@Component({
  selector: 'heli-unreadable-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  template: `
    <div role="alert">
      <h1>{{ found().name }} cannot be read by this version</h1>
      <p>It is still in this browser, as it was saved, and nothing here changes it.</p>
      <ul>
        @for (reason of found().because.slice(0, most); track $index) {
          <li>{{ reason }}</li>
        }
        @if (found().because.length > most) {
          <li>And {{ found().because.length - most }} more.</li>
        }
      </ul>
    </div>
    <div class="ways">
      @if (found().mended; as mended) {
        <button type="button" nz-button (click)="openMended(mended)">{{ ownIds }}</button>
      }
      <button type="button" nz-button (click)="save()">Save it to a file as it is</button>
      <button type="button" nz-button (click)="reload()">Reload the page for a newer build</button>
      <button type="button" class="link" (click)="remove()">Delete it from this browser</button>
    </div>
    <p class="caption">The rig menu above has the others, and a new one.</p>
  `,
  styleUrl: './trouble.css',
})
export class UnreadableRigPanel {
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  private readonly repository = inject(RigRepository);
  private readonly shelf = inject(RigShelf);

  readonly found = input.required<UnreadableRig>();
  protected readonly most = MOST_REASONS;
  protected readonly ownIds = OWN_IDS;

  protected async openMended(mended: Rig): Promise<void> {
    const putBack = await this.shelf.replace(mended);
    this.notices.tell({
      text: `${mended.name} is open: what shared an id has one of its own.`,
      action: { label: 'Put it back as it was', run: putBack },
    });
  }

  protected async save(): Promise<void> {
    const { id, name } = this.found();
    const row = await this.repository.row(id);
    this.notices.tell({ text: `Saved as ${this.files.saveAsItIs(name, row?.document)}.` });
  }

  protected async remove(): Promise<void> {
    const { name } = this.found();
    const putBack = await this.shelf.remove();
    if (!putBack) return;
    this.notices.tell({
      text: `${name} is deleted from this browser.`,
      action: { label: `Put ${name} back`, run: putBack },
    });
  }

  protected reload(): void {
    location.reload();
  }
}
