import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core';
import { NzDropdownModule } from 'ng-zorro-antd/dropdown';
import { catchError, of } from 'rxjs';
import { RigFiles } from '../book/rig-files';
import { RigRepository } from '../book/rig-repository';
import { RigSession } from '../book/rig-session';
import { Notices } from './notices';

/** The open rig's name, and what can be done with the rig as a whole. */
@Component({
  selector: 'heli-rig-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzDropdownModule],
  template: `
    <button type="button" class="name" nz-dropdown nzTrigger="click" [nzDropdownMenu]="menu">
      <span class="unseen">Rig: </span>{{ session.rig()?.name ?? 'No rig' }}
      <svg viewBox="0 0 8 8" aria-hidden="true"><path d="M1 2.5 4 5.5 7 2.5" /></svg>
    </button>
    <nz-dropdown-menu #menu="nzDropdownMenu">
      <ul nz-menu>
        @if (session.rig(); as rig) {
          <li nz-menu-item>
            <button type="button" (click)="save(rig)">Save {{ rig.name }} to a file</button>
          </li>
        }
        <li nz-menu-item><button type="button" (click)="openFile.emit()">Open a file …</button></li>
        @for (title of others(); track title.id) {
          <li nz-menu-item>
            <button type="button" (click)="session.openById(title.id)">Go to {{ title.name }}</button>
          </li>
        }
      </ul>
    </nz-dropdown-menu>
  `,
  styles: `
    .name {
      display: inline-flex;
      align-items: center;
      gap: 6px;
      min-height: 32px;
      padding: 0 4px;
      border: 0;
      background: none;
      font-weight: 500;
      font-size: 14px;
    }
    svg {
      width: 9px;
      fill: none;
      stroke: var(--ink-2);
      stroke-width: 1.3;
    }
    li button {
      width: 100%;
      min-height: 36px;
      padding: 0 16px;
      border: 0;
      background: none;
      text-align: left;
    }
    @media (pointer: coarse) {
      .name,
      li button {
        min-height: 44px;
      }
    }
  `,
})
export class RigMenu {
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  protected readonly session = inject(RigSession);
  private readonly titles = toSignal(inject(RigRepository).titles$.pipe(catchError(() => of([]))), {
    initialValue: [],
  });

  readonly openFile = output();

  protected readonly others = computed(() => this.titles().filter(({ id }) => id !== this.session.rig()?.id));

  protected save(rig: Rig): void {
    this.notices.tell({ text: `Saved as ${this.files.save(rig)}.` });
  }
}
