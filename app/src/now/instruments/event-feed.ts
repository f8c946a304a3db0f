import { Injectable } from '@angular/core';
import {
  readFeedHeader,
  readFeedSample,
  type FeedHeader,
  type FeedSample,
  type ScenarioId,
} from '@heliarch/core/instruments';
import { Observable } from 'rxjs';

/** What comes from a feed. */
export type FeedEvent =
  | { readonly event: 'header'; readonly header: FeedHeader; readonly begunS: number }
  | { readonly event: 'sample'; readonly sample: FeedSample }
  /** Something that is no event of the format. */
  | { readonly event: 'unread' };

/** The server's instruments as server-sent events; the observable fails when the connection is lost. */
@Injectable({ providedIn: 'root' })
export class EventFeed {
  /** @param begunS When the scenario began, to go on in it. */
  open(scenario: ScenarioId, begunS: number | undefined): Observable<FeedEvent> {
    return new Observable((subscriber) => {
      // A service worker would keep the stream for itself.
      const query = new URLSearchParams({ scenario, 'ngsw-bypass': '1' });
      if (begunS !== undefined) query.set('begun', String(begunS));
      const source = new EventSource(`/instruments?${query.toString()}`);
      source.addEventListener('header', (event) => subscriber.next(headerOf(event)));
      source.addEventListener('sample', (event) => subscriber.next(sampleOf(event)));
      source.addEventListener('error', () =>
        subscriber.error(new Error('The instruments cannot be reached')),
      );
      return () => source.close();
    });
  }
}

function headerOf({ data, lastEventId }: MessageEvent<unknown>): FeedEvent {
  const header = readFeedHeader(parsed(data));
  return header ? { event: 'header', header, begunS: Number(lastEventId) } : { event: 'unread' };
}

function sampleOf({ data }: MessageEvent<unknown>): FeedEvent {
  const sample = readFeedSample(parsed(data));
  return sample ? { event: 'sample', sample } : { event: 'unread' };
}

function parsed(data: unknown): unknown {
  try {
    return JSON.parse(String(data)) as unknown;
  } catch {
    return undefined;
  }
}
