import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { RigFiles } from '../storage/rig-files';
import { RigRepository } from '../storage/rig-repository';
import { RigShelf } from '../storage/rig-shelf';
import { Notices } from './notices';

/** The storage of this browser does not answer, or may not be touched: what is waited for, and every way on. */
@Component({
  selector: 'heli-storage-trouble',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  template: `
    <div role="alert">
      <h1>{{ title() }}</h1>
      <p>{{ because() }} Nothing in it has changed.</p>
    </div>
    <div class="ways">
      <button type="button" nz-button (click)="reload()">Try again</button>
      <button type="button" nz-button (click)="saveAll()">Save what it holds to a file</button>
      <button type="button" class="link" (click)="shelf.goOnWithoutStorage()">
        Go on without it, with nothing kept
      </button>
    </div>
  `,
  styleUrl: './trouble.css',
})
export class StorageTrouble {
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  private readonly repository = inject(RigRepository);
  protected readonly shelf = inject(RigShelf);

  readonly title = input.required<string>();
  readonly because = input.required<string>();

  protected reload(): void {
    location.reload();
  }

  protected async saveAll(): Promise<void> {
    const rows = await this.repository.rows();
    const rigs = rows.map(({ document }) => document);
    this.notices.tell({ text: `Saved as ${this.files.saveAsItIs('all rigs of this browser', rigs)}.` });
  }
}
