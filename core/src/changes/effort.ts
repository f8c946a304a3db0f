import { wattsCounted } from '../loads/watts-counted.js';
import { loadOf } from '../rig/lookup.js';
import type { AskedSet, Change } from './change.js';

/**
 * How much is asked of whoever makes a change, least first: another order, a level, a minute of waiting, a setting, a
 * load given up, another hookup, work on the rig, something bought.
 *
 * Source: common practice, no published source: turn down before you switch off, wait before you give up, and buy last.
 */
const EFFORT: Record<Change['by'], number> = {
  // People work with the extractor on: what they do anyway comes first.
  habit: 0,
  order: 1,
  state: 2,
  'hold-off': 3,
  'charging-off': 4,
  shorter: 5,
  wait: 6,
  'input-limit': 7,
  'assist-on': 8,
  'other-fuel': 9,
  circuit: 10,
  swap: 11,
  off: 12,
  'cool-inverter': 15,
  supply: 16,
  'who-carries': 17,
  untie: 18,
  'either-or': 30,
  'soft-starter': 31,
  unloader: 32,
  'circuit-cable': 33,
  'battery-cable': 34,
  'more-battery': 35,
  'bigger-inverter': 36,
};

const OF_IMPORTANCE = { may: 0, should: 1, must: 2 } as const;
/** Watts that are given up weigh less than any step from one kind of change to the next. */
const PER_WATT = 1e-6;

/** Effort of a change, for a ranking: without a unit. */
export function effortOf({ rig, scene }: AskedSet, change: Change): number {
  const loadId = 'loadId' in change ? change.loadId : undefined;
  if (loadId === undefined) return EFFORT[change.by];
  const load = loadOf(rig, loadId);
  const watts = wattsCounted(rig, load, scene.on.find((entry) => entry.load === loadId)?.state);
  const left = change.by === 'state' ? wattsCounted(rig, load, change.stateId) : 0;
  const importance = change.by === 'off' ? OF_IMPORTANCE[load.importance ?? 'should'] : 0;
  return EFFORT[change.by] + importance + PER_WATT * (watts - left);
}
