import { ChangeDetectionStrategy, Component, computed, inject, ViewEncapsulation } from '@angular/core';
import { NzAlertComponent } from 'ng-zorro-antd/alert';
import type { RefusedEdit } from '../storage/refused-edit';
import { RigFiles } from '../storage/rig-files';
import { RigSession } from '../storage/rig-session';
import { RigShelf } from '../storage/rig-shelf';
import { Notices, type Notice } from './notices';

const MOST_DETAILS = 5;

interface Action {
  readonly label: string;
  readonly run: () => void;
}

/** One line: what is the matter, what exactly, and what can be done about it. */
interface Told {
  readonly key: unknown;
  readonly head?: string;
  readonly text: string;
  readonly details: readonly string[];
  readonly actions: readonly Action[];
}

/** What just happened to a file, and what must be known about keeping: a line, never a window. */
@Component({
  selector: 'heli-notice-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzAlertComponent],
  templateUrl: './notice-line.html',
  styleUrls: ['../styles/library/alerts.css', './notice-line.css'],
})
export class NoticeLine {
  private readonly session = inject(RigSession);
  private readonly shelf = inject(RigShelf);
  private readonly files = inject(RigFiles);
  private readonly notices = inject(Notices);
  protected readonly most = MOST_DETAILS;

  protected readonly all = computed((): readonly Told[] =>
    [
      this.notKept(),
      this.slow(),
      this.refused(),
      this.historyLost(),
      this.deletedElsewhere(),
      this.twoVersions(),
      ...this.notices.shown().map((notice) => this.noticed(notice)),
    ].flatMap((told) => told ?? []),
  );

  private notKept(): Told | undefined {
    const kept = this.session.kept();
    if (kept.state !== 'not-kept') return undefined;
    return {
      key: 'not-kept',
      head: 'This browser keeps nothing now.',
      text: `${kept.because} Your work is in this page only: save it before you leave.`,
      details: [],
      actions: [...this.saving(), { label: 'Try again to keep it', run: () => this.session.tryAgain() }],
    };
  }

  private slow(): Told | undefined {
    const what = this.session.slow();
    if (!what || !this.session.rig()) return undefined;
    return {
      key: 'slow',
      head: 'This browser’s storage does not answer.',
      text: `Still ${what}. Your work is in this page: save it before you leave.`,
      details: [],
      actions: this.saving(),
    };
  }

  private refused(): Told | undefined {
    const refused = this.session.refused();
    return (
      refused && {
        key: refused,
        head: `Not kept: ${refused.label}.`,
        text: 'The rig would not be one that can be read again, so it is as it was before.',
        details: refused.because,
        actions: [
          { label: 'Save it with the edit to a file', run: () => this.saveRefused(refused) },
          { label: 'Put the edit away', run: () => this.session.forgetRefused() },
        ],
      }
    );
  }

  private historyLost(): Told | undefined {
    if (!this.session.isHistoryLost()) return undefined;
    return {
      key: 'history',
      head: 'The steps to undo were damaged and are gone.',
      text: 'The rig itself is whole.',
      details: [],
      actions: [],
    };
  }

  private deletedElsewhere(): Told | undefined {
    if (this.session.kept().state !== 'deleted-elsewhere') return undefined;
    return {
      key: 'deleted',
      head: 'Another tab deleted this rig.',
      text: 'Here it still is, and is not kept.',
      details: [],
      actions: [
        { label: 'Keep it as a copy', run: () => this.shelf.keepMineAsCopy() },
        { label: 'Let it go here too', run: () => void this.shelf.letGo() },
      ],
    };
  }

  private twoVersions(): Told | undefined {
    const kept = this.session.kept();
    if (kept.state !== 'two-versions') return undefined;
    const theirs = { label: 'Go on with the other tab’s version', run: () => this.shelf.takeTheirs() };
    return {
      key: 'two-versions',
      head: 'Another tab changed this rig at the same time.',
      text: 'Nothing was overwritten.',
      details: [],
      actions: [
        ...(kept.theirs.isReadable ? [theirs] : []),
        { label: 'Keep mine as a copy', run: () => this.shelf.keepMineAsCopy() },
      ],
    };
  }

  private noticed(notice: Notice): Told {
    const { text, details = [], action } = notice;
    const putAway = (): void => this.notices.putAway(notice);
    const act = action && {
      label: action.label,
      run: () => {
        putAway();
        action.run();
      },
    };
    return { key: notice, text, details, actions: [...(act ? [act] : []), { label: 'Close', run: putAway }] };
  }

  private saving(): readonly Action[] {
    const rig = this.session.rig();
    return rig ? [{ label: `Save ${rig.name} to a file`, run: () => void this.files.save(rig) }] : [];
  }

  private saveRefused({ label, document }: RefusedEdit): void {
    this.files.saveAsItIs(`${this.session.rig()?.name ?? 'rig'} ${label}`, document);
  }
}
