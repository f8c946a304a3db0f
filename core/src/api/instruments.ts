/** Public: the format of a feed of instruments, its simulation, what is seen in it. For Now, the worker and the server. */

export {
  readFeedHeader,
  readFeedSample,
  readKeptFeed,
  type FeedHeader,
  type FeedSample,
  type Instrument,
} from '../now/instruments/feed-format.js';
export { SCENARIOS, type ScenarioId } from '../now/instruments/scenarios.js';
export { simulatedHeader, simulatedSamples } from '../now/instruments/simulated-feed.js';
export { startSeen, type SeenStart } from '../now/instruments/starts-seen.js';
export { STALE_AFTER_S } from '../reference/instruments.js';
