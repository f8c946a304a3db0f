import type { ElementRef } from '@angular/core';
import { ApplicationRef, ChangeDetectionStrategy, Component, inject, signal, viewChild } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NzIconDirective, provideNzIconsPatch } from 'ng-zorro-antd/icon';
import { MoonOutline, RollbackOutline, SearchOutline, SunOutline } from '@ant-design/icons-angular/icons';
import { RigSession } from '../storage/rig-session';
import { RigShelf } from '../storage/rig-shelf';
import { CautionDrawer } from './caution-drawer';
import { NoticeLine } from './notice-line';
import { MoreRooms } from './more-rooms';
import { NewerBuild } from './newer-build';
import { DefectPanel } from './defect-panel';
import { Defects } from './defects';
import { EmptyBook } from './empty-book';
import { FirstRun } from '../rig/first-run/first-run';
import { ShareByQr } from './share-by-qr';
import { RigMenu } from './rig-menu';
import { RigOpening } from './rig-opening';
import { ROOMS } from './rooms';
import { CautionSheet } from '../parts/caution-sheet';
import { KeysSheet } from './search/keys-sheet';
import type { ActionId } from './search/places';
import { SearchDialog } from './search/search-dialog';
import { SameIdDialog } from './same-id-dialog';
import { StorageTrouble } from './storage-trouble';
import { ThemeChoice } from '../ui/theme';
import { UnreadableRigPanel } from './unreadable-rig';
import { UnitChoice } from '../parts/unit-choice';

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
    ShareByQr,
    KeysSheet,
    MoreRooms,
    NoticeLine,
    NzIconDirective,
    RigMenu,
    RouterLink,
    RouterLinkActive,
    RouterOutlet,
    SameIdDialog,
    SearchDialog,
    StorageTrouble,
    UnreadableRigPanel,
  ],
  providers: [provideNzIconsPatch([MoonOutline, RollbackOutline, SearchOutline, SunOutline])],
  templateUrl: './shell.html',
  styleUrl: './shell.css',
})
export class Shell {
  protected readonly opening = inject(RigOpening);
  private readonly router = inject(Router);
  private readonly application = inject(ApplicationRef);
  /** The first questions are open. */
  protected readonly isBeginning = signal(false);
  protected readonly newName = signal('');
  /** What lies over the work. */
  protected readonly over = signal<'search' | 'keys' | undefined>(undefined);
  private readonly cautions = inject(CautionSheet);
  /** The QR codes are shown. */
  protected readonly isHandedOver = signal(false);
  protected readonly defects = inject(Defects);
  protected readonly session = inject(RigSession);
  private readonly shelf = inject(RigShelf);
  protected readonly themeChoice = inject(ThemeChoice);
  protected readonly rooms = ROOMS.filter((room) => room.data);
  private readonly picker = viewChild.required<ElementRef<HTMLInputElement>>('picker');

  private readonly keys: Readonly<Record<string, () => void>> = {
    'Ctrl k': () => this.over.set('search'),
    'Ctrl z': () => this.session.undo(),
    'Ctrl y': () => this.session.redo(),
    '?': () => this.over.set('keys'),
  };

  constructor() {
    inject(NewerBuild);
    // Its number style must be in force before the first number is written.
    inject(UnitChoice);
    void this.shelf.start();
  }

  /** Ctrl Z and Ctrl Y, but in a text field they are the field's own; Ctrl K everywhere. */
  protected stepByKey(event: KeyboardEvent): void {
    const name = (event.ctrlKey || event.metaKey ? 'Ctrl ' : '') + event.key.toLowerCase();
    const does = this.keys[event.shiftKey && name === 'Ctrl z' ? 'Ctrl y' : name];
    if (!does || (name !== 'Ctrl k' && isTypedInto(event.target))) return;
    does();
    event.preventDefault();
  }

  protected act(action: ActionId): void {
    const actions: Readonly<Record<ActionId, () => void>> = {
      undo: () => this.session.undo(),
      redo: () => this.session.redo(),
      theme: () => this.themeChoice.toggle(),
      begin: () => this.isBeginning.set(true),
      'open-file': () => this.chooseFile(),
      'hand-over': () => this.isHandedOver.set(true),
      cautions: () => this.cautions.isOpen.set(true),
      keys: () => this.over.set('keys'),
      // Once the search is gone from the page.
      print: () => setTimeout(() => window.print()),
    };
    actions[action]();
  }

  /** A room that the browser paints before it is filled in would shift. */
  protected drawAtOnce(): void {
    queueMicrotask(() => this.application.tick());
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
    await this.opening.openFile(file);
    input.value = '';
  }
}

function isTypedInto(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLTextAreaElement ||
    (target instanceof HTMLInputElement && ['text', 'search', 'number'].includes(target.type))
  );
}
