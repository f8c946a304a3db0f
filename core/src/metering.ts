/** What is public of the core for instruments: the format of their feed, its simulation, and what is seen in it. */

export {
  readFeedHeader,
  readFeedSample,
  readKeptFeed,
  type FeedHeader,
  type FeedSample,
  type Instrument,
} from './instruments/feed-format.js';
export { SCENARIOS, type ScenarioId } from './instruments/scenarios.js';
export { simulatedHeader, simulatedSamples } from './instruments/simulated-feed.js';
export { startSeen, type SeenStart } from './instruments/starts-seen.js';
export { STALE_AFTER_S } from './reference/instruments.js';
