import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Router } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core/rig';
import { NzIconDirective } from 'ng-zorro-antd/icon';
import { catchError, of } from 'rxjs';
import { DEMO_RIGS, DemoRigs } from '../storage/demo-rigs';
import { RigFiles } from '../storage/rig-files';
import { RigRepository } from '../storage/rig-repository';
import { RigSession } from '../storage/rig-session';
import { RigShelf } from '../storage/rig-shelf';
import { Notices } from './notices';
import { RigOpening } from './rig-opening';

/** The open rig's name, and what can be done with the rig as a whole. */
@Component({
  selector: 'heli-rig-menu',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkMenu, CdkMenuItem, CdkMenuTrigger, NzIconDirective],
  template: `
    <button type="button" class="name" [cdkMenuTriggerFor]="menu">
      <span class="unseen">Rig: </span><span class="text">{{ name() }}</span>
      <nz-icon nzType="down" aria-hidden="true" />
    </button>
    <ng-template #menu>
      <section aria-label="The rig as a whole">
        <div class="menu" cdkMenu>
          @if (session.rig(); as rig) {
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="save(rig)">
              Save {{ rig.name }} to a file
            </button>
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="rename()">
              Rename {{ rig.name }} …
            </button>
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="opening.leave(duplicate)">
              Duplicate {{ rig.name }}
            </button>
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="remove(rig)">
              Delete {{ rig.name }} from this browser
            </button>
          }
          <button type="button" cdkMenuItem (cdkMenuItemTriggered)="openFile.emit()">Open a file …</button>
          <button type="button" cdkMenuItem (cdkMenuItemTriggered)="handOver.emit()">
            Give to a phone, or take one …
          </button>
          <button type="button" cdkMenuItem (cdkMenuItemTriggered)="opening.leave(begin)">
            Begin a new rig …
          </button>
          @for (title of others(); track title.id) {
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="goTo(title.id)">
              Go to {{ title.name }}{{ title.isReadable ? '' : ', which cannot be read by this version' }}
            </button>
          }
          @for (demo of demos; track demo.id) {
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="addDemo(demo.id)">
              Add the demo rig {{ demo.name }}
            </button>
          }
        </div>
      </section>
    </ng-template>
  `,
  styleUrl: '../ui/menu.css',
  styles: `
    .name {
      display: inline-flex;
      min-width: 0;
      max-width: 100%;
      align-items: center;
      gap: 6px;
      min-height: max(32px, var(--touch));
      padding: 0 4px;
      font-weight: 500;
      font-size: 14px;
    }
    .text {
      overflow: hidden;
      white-space: nowrap;
      text-overflow: ellipsis;
    }
    nz-icon {
      color: var(--ink-2);
      font-size: 10px;
    }
  `,
})
export class RigMenu {
  private readonly demoRigs = inject(DemoRigs);
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  protected readonly opening = inject(RigOpening);
  protected readonly session = inject(RigSession);
  private readonly shelf = inject(RigShelf);
  private readonly titles = toSignal(inject(RigRepository).titles$.pipe(catchError(() => of([]))), {
    initialValue: [],
  });

  readonly openFile = output();
  readonly handOver = output();
  readonly beginNew = output();

  protected readonly demos = DEMO_RIGS;
  /** The name of what is open, and of a rig that cannot be. */
  protected readonly name = computed(() => {
    const state = this.session.state();
    if (state.state === 'open') return state.rig.name;
    return state.state === 'unreadable' ? state.found.name : 'No rig';
  });

  protected readonly others = computed(() => {
    const state = this.session.state();
    const open = state.state === 'unreadable' ? state.found.id : this.session.rig()?.id;
    return this.titles().filter(({ id }) => id !== open);
  });

  protected readonly duplicate = async (): Promise<void> => {
    const rig = this.session.rig();
    if (rig) this.shelf.duplicate(await this.files.testsOf(rig));
  };
  protected readonly begin = (): void => {
    this.beginNew.emit();
  };

  protected goTo(id: string): void {
    this.opening.leave(() => void this.shelf.openById(id));
  }

  protected async addDemo(id: string): Promise<void> {
    const rig = await this.demoRigs.named(id);
    if (rig) this.opening.leave(() => this.shelf.openNew(rig));
    else this.notices.tell({ text: 'The demo rig cannot be read here. Reload the page, or open a file.' });
  }

  /** Its name is a field of the rig like any other. */
  protected rename(): void {
    void this.router.navigate(['/rig'], { queryParams: { view: 'setup' } });
  }

  protected async remove(rig: Rig): Promise<void> {
    const putBack = await this.shelf.remove();
    if (!putBack) return;
    this.notices.tell({
      text: `${rig.name} is deleted from this browser.`,
      action: { label: `Put ${rig.name} back`, run: putBack },
    });
  }

  protected save(rig: Rig): void {
    this.notices.tell({ text: `Saved as ${this.files.save(rig)}.` });
  }
}
