import { consumerOf } from '../../loads/consumer.js';
import { systemOfLoad } from '../../loads/voltage-of-load.js';
import type { Load, Rig } from '../../rig-file/schema.js';
import type { LogTest } from '../log-test.js';

/** The part of a load that a measured power is put down to. */
export interface MeasuredPart {
  readonly part: string;
  /** Its running power at its highest state, W. */
  readonly watts: number;
  /** Watts of the part for each of what was measured: more than 1 where it ran at a part of its power. */
  readonly scale: number;
}

/**
 * What a load's measured power says of one of its parts: the one that was named, else the largest, less what the others draw
 * by the rig; where it ran in a state that draws less, its full power.
 *
 * @param watts Of the whole load, W.
 * @returns Undefined where that state switches the part off.
 */
export function runningPartOf(
  rig: Rig,
  load: Load,
  { part: named, state: stateId }: Pick<LogTest, 'part' | 'state'>,
  watts: number,
): MeasuredPart | undefined {
  const { parts } = consumerOf(load, systemOfLoad(rig, load), undefined);
  const wattsOf = (each: (typeof parts)[number]): number => each.running.watts.value;
  const largest = parts.reduce((most, each) => (wattsOf(each) > wattsOf(most) ? each : most));
  const own = parts.find(({ part }) => part.id === named) ?? largest;
  const state = load.states?.find(({ id }) => id === stateId);
  const shareOf = (partId: string): number =>
    state ? (state.parts.find(({ part }) => part === partId)?.share ?? 1) : 1;
  const others = parts
    .filter((each) => each !== own)
    .reduce((sum, each) => sum + wattsOf(each) * shareOf(each.part.id), 0);
  const share = shareOf(own.part.id);
  return share > 0 ? { part: own.part.id, watts: (watts - others) / share, scale: 1 / share } : undefined;
}
