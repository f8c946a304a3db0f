import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { LogTest } from '@heliarch/core/logbook';
import type { FeedHeader, FeedSample } from '@heliarch/core/instruments';
import { Subject } from 'rxjs';
import { LogEntries } from '../../storage/log-entries';
import { RigSession } from '../../storage/rig-session';
import { NowState } from '../now-state';
import { FeedRecorder } from './feed-recorder';
import { Instruments } from './instruments';

const HEADER = { simulated: 'no', scenario: undefined } as unknown as FeedHeader;

describe('what instruments show, recorded', () => {
  let read$: Subject<FeedSample>;
  let header: ReturnType<typeof signal<FeedHeader>>;
  let kept: LogTest[];
  let recorder: FeedRecorder;

  const show = (samples: number, from = 0): void => {
    for (let second = from; second < from + samples; second += 1)
      read$.next({ atS: 1000 + second, output: { volts: 120, watts: 500 } } as FeedSample);
  };
  const keptReadings = (): number => kept.at(-1)?.trace?.atS.length ?? 0;

  beforeEach(() => {
    read$ = new Subject();
    header = signal(HEADER);
    kept = [];
    const rig = signal({ id: 'heron' });
    TestBed.configureTestingModule({
      providers: [
        FeedRecorder,
        { provide: Instruments, useValue: { read$, header } },
        { provide: LogEntries, useValue: { put: (test: LogTest) => kept.push(test) } },
        { provide: NowState, useValue: { at: signal({ supply: 'battery' }) } },
        { provide: RigSession, useValue: { rig } },
      ],
    });
    recorder = TestBed.inject(FeedRecorder);
    recorder.begin();
  });

  it('is kept as it comes, and of hours no more than a hundredth may be lost: so it is not written ten thousand times', () => {
    show(1);
    expect(keptReadings()).toBe(1);
    for (let second = 1; second < 20_000; second += 1) {
      show(1, second);
      expect(second + 1 - keptReadings()).toBeLessThanOrEqual(Math.max(10, 0.01 * (second + 1)));
    }
    expect(kept.length).toBeLessThan(600);
    recorder.end('enough is known');
    expect(keptReadings()).toBe(20_000);
    expect(kept.at(-1)).toEqual(
      jasmine.objectContaining({ endedBecause: 'enough is known', endedAtS: 20_999 }),
    );
  });

  it('is kept at once where the page goes to the background', () => {
    show(5);
    expect(keptReadings()).toBe(1);
    spyOnProperty(document, 'visibilityState').and.returnValue('hidden');
    document.dispatchEvent(new Event('visibilitychange'));
    expect(keptReadings()).toBe(5);
  });

  it('ends where other instruments are followed: what is simulated is never joined to what was read', () => {
    show(3);
    header.set({ ...HEADER, simulated: 'yes' });
    show(1, 3);
    expect(recorder.isOn()).toBeFalse();
    expect(kept.at(-1)).toEqual(
      jasmine.objectContaining({ simulated: 'no', endedBecause: 'other instruments were followed' }),
    );
    expect(keptReadings()).toBe(3);
  });
});
