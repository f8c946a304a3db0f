import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, viewChild } from '@angular/core';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { RigFiles } from '../book/rig-files';
import { RigSession } from '../book/rig-session';
import { CautionDrawer } from './caution-drawer';
import { NoticeLine } from './notice-line';
import { Notices } from './notices';
import { EmptyBook } from './empty-book';
import { RigMenu } from './rig-menu';
import { ROOMS } from './rooms';
import { ThemeChoice } from './theme';

/** The frame of every room: one slim top line, notices, and the room itself. */
@Component({
  selector: 'heli-shell',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CautionDrawer, EmptyBook, NoticeLine, RigMenu, RouterLink, RouterLinkActive, RouterOutlet],
  templateUrl: './shell.html',
  styleUrl: './shell.css',
})
export class Shell {
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  protected readonly session = inject(RigSession);
  protected readonly themeChoice = inject(ThemeChoice);
  protected readonly rooms = ROOMS.filter((room) => room.data);
  private readonly picker = viewChild.required<ElementRef<HTMLInputElement>>('picker');

  constructor() {
    void this.session.start();
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
