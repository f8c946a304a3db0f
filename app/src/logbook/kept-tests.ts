import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { testsFromSwitch, type LogTest } from '@heliarch/core/logbook';
import { catchError, map, of, switchMap, timeout } from 'rxjs';
import { unloadDraft, putUnloadDraft, takeUnloadDraft } from '../storage/unload-draft';
import type { StoredTest } from '../storage/rig-database';
import { joinedTests } from '../storage/rig-files';
import { LogRepository, readable } from '../storage/log-repository';
import { KeptLiveState } from '../storage/kept-live-state';
import { RigSession } from '../storage/rig-session';
import { StorageQueue } from '../storage/storage-queue';

/** A change of a test that is on its way into the storage, or lay at hand when the page was closed. */
type Change = Omit<StoredTest, 'missedAt'>;

/** Tests with a log of more lines than this are too large to lie at hand. */
const LARGEST_AT_HAND = 5000;
const LONGEST_WAIT_MS = 2000;

/** The tests of the open rig: those of its file, as they were changed in this browser, and what was kept at the switch. */
@Injectable()
export class KeptTests {
  private readonly session = inject(RigSession);
  private readonly repository = inject(LogRepository);
  private readonly queue = inject(StorageQueue);
  private readonly ticks = inject(KeptLiveState);

  private readonly rigId = computed(() => this.session.rig()?.id);
  private readonly stored = toSignal(
    toObservable(this.rigId).pipe(
      switchMap((rigId) =>
        rigId === undefined
          ? of(undefined)
          : this.repository.changes$(rigId).pipe(
              // A storage that does not answer is no reason not to read on; what it has of a test is joined as that is kept.
              timeout({ first: LONGEST_WAIT_MS, with: () => of<readonly StoredTest[]>([]) }),
              catchError(() => of<readonly StoredTest[]>([])),
              map((rows) => ({ rigId, rows })),
            ),
      ),
    ),
  );
  private readonly mine = signal<readonly Change[]>([]);
  /** The last change, while it can be taken back. */
  private readonly before = signal<{ readonly change: Change; readonly label: string } | undefined>(
    undefined,
  );

  private readonly read = computed(() => {
    const [rig, stored] = [this.session.rig(), this.stored()];
    if (!rig || stored?.rigId !== rig.id) return undefined;
    const ticked = this.ticks.at();
    const seen = ticked ? testsFromSwitch(rig, ticked) : [];
    return readable(joinedTests([...(rig.logbook ?? []), ...seen], this.newest(rig.id, stored.rows)));
  });

  /** Undefined until the storage has said what it keeps. */
  readonly tests = computed((): readonly LogTest[] | undefined => {
    const tests = this.read()?.tests;
    return (
      tests && [...tests].sort((a, b) => Number(isOver(a)) - Number(isOver(b)) || b.begunAtS - a.begunAtS)
    );
  });
  /** How many cannot be read: they stay as they are. */
  readonly unread = computed(() => this.read()?.unread ?? 0);
  readonly lastChange = computed(() => this.before()?.label);

  constructor() {
    this.repository.tidy().catch(() => undefined);
    effect(() => this.keepWhatLiesAtHand(this.rigId()));
  }

  /** @param label What was done, where it may be taken back. */
  put(test: LogTest, label?: string): void {
    this.change(test.id, test, label);
  }

  remove(test: LogTest): void {
    this.change(test.id, undefined, `${test.question} taken out`);
  }

  takeBack(): void {
    const before = this.before();
    if (!before || before.change.rigId !== this.rigId()) return;
    this.change(before.change.id, before.change.test as LogTest | undefined);
  }

  /** What a page that was closed too soon left at hand goes into the storage, before anything else lies there. */
  private keepWhatLiesAtHand(rigId: string | undefined): void {
    const left = rigId === undefined ? undefined : (takeUnloadDraft(placeOf(rigId)) as Change | undefined);
    if (left) untracked(() => this.keep(left));
  }

  private change(id: string, test: LogTest | undefined, label?: string): void {
    const rigId = this.rigId();
    if (rigId === undefined) return;
    const known = this.newest(rigId, this.stored()?.rows ?? []).find((each) => each.id === id);
    const old = this.tests()?.find((each) => each.id === id);
    const savedAt = Date.now();
    const change: Change = {
      rigId,
      id,
      serial: (known?.serial ?? 0) + 1,
      savedAt,
      test: test && { ...test, changedAtMs: savedAt },
    };
    this.before.set(label === undefined ? undefined : { change: { ...change, test: old }, label });
    this.keep(change);
  }

  private keep(change: Change): void {
    const { rigId, id, serial } = change;
    const test = change.test as LogTest | undefined;
    this.mine.update((all) => [...all.filter((each) => each.rigId !== rigId || each.id !== id), change]);
    const place = placeOf(rigId);
    if ((test?.trace?.atS.length ?? 0) < LARGEST_AT_HAND) putUnloadDraft(place, change);
    // A browser that keeps nothing has said so; the test is there for as long as the page is open.
    this.queue
      .run('keeping a test', () => this.repository.keep(change))
      .then(() => {
        const left = unloadDraft(place) as Change | undefined;
        if (left?.id === id && left.serial <= serial) takeUnloadDraft(place);
      })
      .catch(() => undefined);
  }

  /** Of each test, the newest change: of the storage, or of this page. */
  private newest(rigId: string, rows: readonly Change[]): readonly Change[] {
    const all = [...rows, ...this.mine().filter((each) => each.rigId === rigId)];
    const newest = new Map<string, Change>();
    for (const each of all) {
      const known = newest.get(each.id);
      if (!known || known.serial < each.serial) newest.set(each.id, each);
    }
    return [...newest.values()];
  }
}

const placeOf = (rigId: string): string => `test:${rigId}`;

export const isOver = ({ endedAtS }: LogTest): boolean => endedAtS !== undefined;
