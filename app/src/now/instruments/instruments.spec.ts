import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import { EventFeed, type FeedEvent } from './event-feed';
import { Instruments } from './instruments';

const NOW = new Date('2026-06-12T15:00:00Z');

const sample = (atS: number, watts: number, va: number, peakVA: number): FeedEvent => {
  const output = { atS, volts: 120, amps: 1, watts, wattHours: 0, va, peakVA };
  return { event: 'sample', sample: { atS, output } };
};
const header: FeedEvent = {
  event: 'header',
  begunS: 500,
  header: {
    format: 'heliarch-instruments',
    version: 1,
    simulated: 'yes',
    rig: 'Tern',
    everyS: 1,
    accuracy: { battery: 0.01, output: 0.03, inlet: 0.02 },
  },
};

describe('instruments', () => {
  let asked: (number | undefined)[];
  let feed: Subject<FeedEvent>;
  let instruments: Instruments;

  beforeEach(() => {
    jasmine.clock().install().mockDate(NOW);
    asked = [];
    const open = (_scenario: string, begunS: number | undefined) => {
      asked.push(begunS);
      feed = new Subject();
      return feed;
    };
    TestBed.configureTestingModule({
      providers: [Instruments, { provide: EventFeed, useValue: { open } }],
    });
    instruments = TestBed.inject(Instruments);
    instruments.follow('quiet-evening');
  });

  afterEach(() => jasmine.clock().uninstall());

  it('that are lost are tried again after one, two and four seconds, in the same scenario', () => {
    feed.next(header);
    expect(instruments.stands().state).toBe('live');
    for (const seconds of [1, 2, 4]) {
      feed.error(new Error('gone'));
      expect(instruments.stands()).toEqual({ state: 'lost', retryAtMs: Date.now() + seconds * 1000 });
      jasmine.clock().tick(seconds * 1000 - 1);
      expect(instruments.stands().state).toBe('lost');
      jasmine.clock().tick(1);
      expect(instruments.stands().state).toBe('connecting');
    }
    expect(asked).toEqual([undefined, 500, 500, 500]);
    feed.next(sample(1, 100, 100, 100));
    expect(instruments.stands().state).toBe('live');
    feed.error(new Error('gone'));
    expect(instruments.stands()).toEqual({ state: 'lost', retryAtMs: Date.now() + 1000 });
  });

  it('that say nothing for five seconds are taken for lost', () => {
    feed.next(header);
    jasmine.clock().tick(5001);
    expect(instruments.stands().state).toBe('lost');
  });

  it('show a start that was seen, count what cannot be read, and forget all of it when they are stopped', () => {
    for (const event of [sample(1, 100, 110, 110), sample(2, 900, 1500, 2600), sample(3, 500, 560, 560)])
      feed.next(event);
    expect(instruments.start()).toEqual({ atS: 2, startVA: 2490, runningW: 400 });
    feed.next({ event: 'unread' });
    expect(instruments.unread()).toBe(1);
    instruments.stop();
    expect(feed.observed).toBeFalse();
    expect(instruments.samples()).toEqual([]);
    expect(instruments.stands().state).toBe('off');
  });
});
