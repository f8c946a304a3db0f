import type { Consumer, ConsumerPart } from '../electrical/consumer.js';
import type { Doubt } from './limit.js';

const MOST_SHOWN = 3;

/** A part that starts, with the load it belongs to. */
export interface StartingPart {
  readonly consumer: Consumer;
  readonly part: ConsumerPart;
}

/**
 * Which entered numbers weigh most in a demand, widest first.
 *
 * @param running What runs.
 * @param starting The part that starts on top, if any; its running power does not count then.
 * @param perWatt Converts W or VA to the unit of the limit: 1, or 1/V for amps.
 */
export function widestDoubts(
  running: readonly Consumer[],
  starting?: StartingPart,
  perWatt = 1,
): readonly Doubt[] {
  const ofRunning = running.flatMap((consumer) =>
    consumer.parts
      .filter((part) => part !== starting?.part)
      .map(({ part, power, running: { watts } }): Doubt => ({
        loadId: consumer.load.id,
        partId: part.id,
        field: 'running',
        basis: power.watts.basis,
        value: watts.value,
        width: watts.plus * perWatt,
      })),
  );
  return [...ofRunning, ...ofStart(starting, perWatt)]
    .filter((doubt) => doubt.width > 0)
    .sort((a, b) => b.width - a.width)
    .slice(0, MOST_SHOWN);
}

function ofStart(starting: StartingPart | undefined, perWatt: number): readonly Doubt[] {
  const size = starting?.part.size;
  if (!starting?.part.start || !size) return [];
  return [
    {
      loadId: starting.consumer.load.id,
      partId: starting.part.part.id,
      field: 'start',
      basis: size.va.basis,
      value: size.va.value,
      width: starting.part.start.va.plus * perWatt,
    },
  ];
}
