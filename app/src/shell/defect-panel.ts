import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { RigFiles } from '../storage/rig-files';
import { RigSession } from '../storage/rig-session';
import { Defects, Diagnostics } from './defects';

/** A room met a defect: the rig is still here, and so is the way on. */
@Component({
  selector: 'heli-defect-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  template: `
    <div role="alert">
      <h1>This room met a defect</h1>
      <p>
        Your rig is still here. Save it to a file, then reload the page. A diagnostics file helps to find the
        defect; it stays with you.
      </p>
      <p class="what">{{ defects.met().at(-1)?.message }}</p>
    </div>
    <div class="ways">
      @if (session.rig(); as rig) {
        <button type="button" nz-button (click)="files.save(rig)">Save {{ rig.name }} to a file</button>
      }
      <button type="button" nz-button (click)="diagnostics.save()">Save diagnostics</button>
      <button type="button" nz-button (click)="reload()">Reload the page</button>
      <button type="button" class="link" (click)="defects.putAway()">Try to go on</button>
    </div>
  `,
  styleUrl: './trouble.css',
})
export class DefectPanel {
  protected readonly defects = inject(Defects);
  protected readonly diagnostics = inject(Diagnostics);
  protected readonly files = inject(RigFiles);
  protected readonly session = inject(RigSession);

  protected reload(): void {
    location.reload();
  }
}
