import type { Basis } from '../../units/quantity.js';
import { isMeasuredOnce } from '../../rig-file/half-widths.js';
import type { Limit, Weighed } from './limit.js';

const MOST_SHOWN = 3;

export interface Doubt {
  readonly loadId: string;
  readonly partId: string;
  readonly field: 'running' | 'start' | 'seconds';
  readonly basis: Basis;
  /** Of a start: fewer readings agree than count as measured. */
  readonly isOnce: boolean;
  /** The stated value of that number, in W, VA or s. */
  readonly value: number;
  /** How much of the demand depends on it, in the unit of the limit. */
  readonly width: number;
}

/** Which entered numbers weigh most in the demand on a limit, widest first. */
export function doubtsOf({ weighed }: Pick<Limit, 'weighed'>): readonly Doubt[] {
  const { running, starting, perWatt } = weighed;
  const ofRunning = running.flatMap((consumer) =>
    consumer.parts
      .filter((part) => part !== starting?.part)
      .map(({ part, power, running: { watts } }): Doubt => ({
        loadId: consumer.load.id,
        partId: part.id,
        field: 'running',
        basis: power.watts.basis,
        isOnce: false,
        value: watts.value,
        width: watts.plus * perWatt,
      })),
  );
  return [...ofRunning, ...ofStart(weighed)]
    .filter((doubt) => doubt.width > 0)
    .sort((a, b) => b.width - a.width)
    .slice(0, MOST_SHOWN);
}

function ofStart({ starting, perWatt }: Weighed): readonly Doubt[] {
  const size = starting?.part.size;
  if (!starting?.part.start || !size) return [];
  return [
    {
      loadId: starting.consumer.load.id,
      partId: starting.part.part.id,
      field: 'start',
      basis: size.va.basis,
      isOnce: isMeasuredOnce(size.va),
      value: size.va.value,
      width: starting.part.start.va.plus * perWatt,
    },
  ];
}
