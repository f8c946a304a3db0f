import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, signal, viewChild } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { RigFiles } from '../book/rig-files';
import { RigSession } from '../book/rig-session';
import { CautionDrawer } from './caution-drawer';
import { NoticeLine } from './notice-line';
import { NewerBuild } from './newer-build';
import { Notices } from './notices';
import { DefectPanel } from './defect-panel';
import { Defects } from './defects';
import { EmptyBook } from './empty-book';
import { FirstRun } from '../rig/first-run/first-run';
import { HandOver } from './hand-over';
import { RigMenu } from './rig-menu';
import { ROOMS } from './rooms';
import { ThemeChoice } from './theme';
import { UnitChoice } from '../ui/unit-choice';

/** The frame of every room: one slim top line, notices, and the room itself. */
@Component({
  selector: 'heli-shell',
  host: { '(document:keydown)': 'stepByKey($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CautionDrawer,
    DefectPanel,
    EmptyBook,
    FirstRun,
    HandOver,
    NoticeLine,
    RigMenu,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.css',
})
export class Shell {
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  private readonly router = inject(Router);
  /** The eight questions are open. */
  protected readonly isBeginning = signal(false);
  /** The code pictures are shown. */
  protected readonly isHandedOver = signal(false);
  protected readonly defects = inject(Defects);
  protected readonly session = inject(RigSession);
  protected readonly themeChoice = inject(ThemeChoice);
  protected readonly rooms = ROOMS.filter((room) => room.data);
  private readonly picker = viewChild.required<ElementRef<HTMLInputElement>>('picker');

  constructor() {
    inject(NewerBuild);
    // Its number style must be in force before the first number is written.
    inject(UnitChoice);
    void this.session.start();
  }

  /** Ctrl Z and Ctrl Y, but in a text field they are the field's own. */
  protected stepByKey(event: KeyboardEvent): void {
    const isTyping = event.target instanceof HTMLInputElement && event.target.type === 'text';
    if (!(event.ctrlKey || event.metaKey) || isTyping) return;
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) this.session.undo();
    else if (key === 'y' || (key === 'z' && event.shiftKey)) this.session.redo();
    else return;
    event.preventDefault();
  }

  /** After the questions comes the first verdict. */
  protected begun(): void {
    this.isBeginning.set(false);
    void this.router.navigate(['/together']);
  }

  protected chooseFile(): void {
    this.picker().nativeElement.click();
  }

  protected async openChosen(): Promise<void> {
    const input = this.picker().nativeElement;
    const file = input.files?.[0];
    if (!file) return;
    const before = this.session.rig();
    const opened = await this.files.open(file);
    input.value = '';
    if (!opened.ok) {
      this.notices.tell({
        text: `${file.name} was not opened; nothing has changed.`,
        details: opened.problems,
      });
      return;
    }
    this.notices.tell({
      text: `Opened ${opened.name} from ${file.name}.`,
      ...(before && {
        action: { label: `Put ${before.name} back as it was`, run: () => this.session.open(before) },
      }),
    });
  }
}
