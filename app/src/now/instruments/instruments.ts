import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MS_PER_SECOND } from '@heliarch/core/units';
import {
  readKeptFeed,
  startSeen,
  type FeedHeader,
  type FeedSample,
  type ScenarioId,
  type SeenStart,
} from '@heliarch/core/instruments';
import {
  concat,
  concatMap,
  defer,
  delay,
  EMPTY,
  from,
  of,
  retry,
  Subject,
  switchMap,
  tap,
  timeout,
  timer,
  type Observable,
} from 'rxjs';
import { EventFeed, type FeedEvent } from './event-feed';

/** So many samples stay: two minutes of a feed that is read every second. */
const MOST_SAMPLES = 120;
/** A feed that says nothing for so long is taken for lost. */
const SILENT_FOR_MS = 5000;
const FIRST_RETRY_MS = 1000;
const LAST_RETRY_MS = 30_000;
/** A gap in a feed that is replayed is not waited out. */
const LONGEST_GAP_S = 2;

export type FeedStands =
  | { readonly state: 'off' }
  | { readonly state: 'connecting' }
  | { readonly state: 'live' }
  | { readonly state: 'lost'; readonly retryAtMs: number }
  | { readonly state: 'replayed' }
  | { readonly state: 'ended' };

type Source =
  | { readonly from: 'server'; readonly scenario: ScenarioId }
  | { readonly from: 'file'; readonly header: FeedHeader; readonly samples: readonly FeedSample[] }
  | undefined;

/** What the instruments show, from the server's simulation or from a file. Own ticks never wait for it. */
@Injectable()
export class Instruments {
  private readonly events = inject(EventFeed);
  private readonly sources = new Subject<Source>();
  private readonly read = new Subject<FeedSample>();
  private begunS: number | undefined;

  /** Each sample as it comes. */
  readonly read$ = this.read.asObservable();

  readonly stands = signal<FeedStands>({ state: 'off' });
  readonly header = signal<FeedHeader | undefined>(undefined);
  /** The newest last. */
  readonly samples = signal<readonly FeedSample[]>([]);
  readonly scenario = signal<ScenarioId | undefined>(undefined);
  /** The last start that was seen. */
  readonly start = signal<SeenStart | undefined>(undefined);
  /** Events that could not be read. */
  readonly unread = signal(0);

  constructor() {
    this.sources
      .pipe(
        switchMap((source) => this.feedOf(source)),
        takeUntilDestroyed(),
      )
      .subscribe((event) => this.take(event));
  }

  follow(scenario: ScenarioId): void {
    this.clear();
    this.scenario.set(scenario);
    this.sources.next({ from: 'server', scenario });
  }

  /** @returns Whether it is a feed at all. */
  replay(text: string): boolean {
    const kept = readKeptFeed(text);
    if (!kept) return false;
    this.clear();
    this.unread.set(kept.unread);
    this.sources.next({ from: 'file', header: kept.header, samples: kept.samples });
    return true;
  }

  stop(): void {
    this.clear();
    this.sources.next(undefined);
  }

  forgetStart(): void {
    this.start.set(undefined);
  }

  private clear(): void {
    this.begunS = undefined;
    this.stands.set({ state: 'off' });
    this.header.set(undefined);
    this.samples.set([]);
    this.scenario.set(undefined);
    this.start.set(undefined);
    this.unread.set(0);
  }

  private feedOf(source: Source): Observable<FeedEvent> {
    if (!source) return EMPTY;
    if (source.from === 'server') return this.fromServer(source.scenario);
    this.stands.set({ state: 'replayed' });
    const { header, samples } = source;
    return concat(
      of<FeedEvent>({ event: 'header', header, begunS: samples[0]?.atS ?? 0 }),
      from(samples).pipe(
        concatMap((sample, index) => {
          const before = samples[index - 1]?.atS ?? sample.atS;
          const gapS = Math.min(LONGEST_GAP_S, Math.max(0, sample.atS - before));
          return of<FeedEvent>({ event: 'sample', sample }).pipe(delay(gapS * MS_PER_SECOND));
        }),
      ),
      defer(() => {
        this.stands.set({ state: 'ended' });
        return EMPTY;
      }),
    );
  }

  private fromServer(scenario: ScenarioId): Observable<FeedEvent> {
    return defer(() => {
      this.stands.set({ state: 'connecting' });
      return this.events.open(scenario, this.begunS);
    }).pipe(
      timeout({ each: SILENT_FOR_MS }),
      tap(() => this.stands.set({ state: 'live' })),
      retry({
        delay: (_, count) => {
          const waitMs = Math.min(LAST_RETRY_MS, FIRST_RETRY_MS * 2 ** (count - 1));
          this.stands.set({ state: 'lost', retryAtMs: Date.now() + waitMs });
          return timer(waitMs);
        },
        resetOnSuccess: true,
      }),
    );
  }

  private take(event: FeedEvent): void {
    switch (event.event) {
      case 'header':
        this.begunS = event.begunS;
        this.header.set(event.header);
        return;
      case 'sample': {
        const samples = [...this.samples(), event.sample].slice(-MOST_SAMPLES);
        this.samples.set(samples);
        this.read.next(event.sample);
        const seen = startSeen(samples.at(-3), samples.at(-2), samples.at(-1));
        if (seen) this.start.set(seen);
        return;
      }
      case 'unread':
        this.unread.update((unread) => unread + 1);
    }
  }
}
