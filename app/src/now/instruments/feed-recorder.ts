import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MS_PER_SECOND } from '@heliarch/core/units';
import { newTest, traceOfFeed, withEnd, type LogTest } from '@heliarch/core/logbook';
import type { FeedHeader, FeedSample } from '@heliarch/core/instruments';
import { filter, fromEvent } from 'rxjs';
import { LogEntries } from '../../storage/log-entries';
import { RigSession } from '../../storage/rig-session';
import { NowState } from '../now-state';
import { Instruments } from './instruments';

/** A page that crashes loses no more than what came since. */
const LEAST_BETWEEN_SAMPLES = 10;
/** Each time all of it is written: of a long one a share may be lost, or a day would be written thousands of times. */
const BETWEEN_SHARE = 0.01;
/** A day of a feed that is read every second. */
const MOST_SAMPLES = 86_400;

/** What the instruments show, recorded as a test of the logbook for as long as the room is open. */
@Injectable()
export class FeedRecorder {
  private readonly session = inject(RigSession);
  private readonly entries = inject(LogEntries);
  private readonly state = inject(NowState);
  private readonly instruments = inject(Instruments);

  private readonly begun = signal<{ readonly rigId: string; readonly test: LogTest } | undefined>(undefined);
  private header: FeedHeader | undefined;
  private samples: FeedSample[] = [];
  private keptSamples = 0;
  private serial = 0;

  readonly isOn = computed(() => this.begun() !== undefined);
  readonly words = signal('');

  constructor() {
    this.instruments.read$.pipe(takeUntilDestroyed()).subscribe((sample) => this.take(sample));
    // A page in the background may be closed without a word.
    fromEvent(document, 'visibilitychange')
      .pipe(
        filter(() => document.visibilityState === 'hidden'),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.keep());
    inject(DestroyRef).onDestroy(() => this.end('the room was left'));
  }

  begin(): void {
    const rigId = this.session.rig()?.id;
    if (rigId === undefined) return;
    this.samples = [];
    this.keptSamples = 0;
    this.serial = 0;
    this.header = undefined;
    this.begun.set({
      rigId,
      test: newTest({
        id: crypto.randomUUID(),
        kind: 'run-down',
        question: 'Recorded from the instruments',
        begunAtS: Math.round(Date.now() / MS_PER_SECOND),
        supply: this.state.at().supply,
      }),
    });
    this.words.set('Recording; it goes on while this room is open.');
  }

  end(because: string): void {
    const begun = this.begun();
    if (!begun) return;
    const { length } = this.samples;
    if (length > 0) this.keep((test) => withEnd(test, this.samples.at(-1)?.atS ?? test.begunAtS, because));
    this.begun.set(undefined);
    this.words.set(
      length > 0
        ? `${length} readings are in the logbook: there its kind and its load can be said.`
        : 'Nothing was read meanwhile.',
    );
  }

  private take(sample: FeedSample): void {
    if (!this.isOn()) return;
    const header = this.instruments.header();
    this.header ??= header;
    // What is simulated is never joined to what was read.
    if (header?.scenario !== this.header?.scenario || header?.simulated !== this.header?.simulated) {
      this.end('other instruments were followed');
      return;
    }
    this.samples.push(sample);
    this.words.set(`Recording, ${this.samples.length} readings; it goes on while this room is open.`);
    if (this.samples.length >= MOST_SAMPLES) this.end('a day was recorded');
    else if (this.isDue()) this.keep();
  }

  private isDue(): boolean {
    const since = this.samples.length - this.keptSamples;
    return (
      this.keptSamples === 0 || since >= Math.max(LEAST_BETWEEN_SAMPLES, BETWEEN_SHARE * this.keptSamples)
    );
  }

  private keep(change: (test: LogTest) => LogTest = (test) => test): void {
    const begun = this.begun();
    const [first] = this.samples;
    if (!begun || !first) return;
    this.serial += 1;
    this.keptSamples = this.samples.length;
    const test: LogTest = {
      ...begun.test,
      begunAtS: first.atS,
      trace: traceOfFeed(this.samples),
      simulated: this.header?.simulated ?? 'yes',
    };
    this.entries.put(change(test), this.serial, begun.rigId);
  }
}
