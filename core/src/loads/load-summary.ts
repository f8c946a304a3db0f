import type { Quantity } from '../units/quantity.js';
import { kindOfPart, type LoadFamily } from '../reference/kinds-of-parts.js';
import type { Load, Rig } from '../rig-file/schema.js';
import { consumerOf, type ConsumerPart } from './consumer.js';
import { systemOfLoad } from './voltage-of-load.js';

/** A load in one line of a list. */
export interface LoadSummary {
  /** A load belongs where its largest part does: a roof unit is a compressor with a fan. */
  readonly family: LoadFamily;
  /** Running watts of its largest part, with how they are known. */
  readonly running: Quantity;
  /** Running watts of all parts, as stated. */
  readonly watts: number;
  /** The largest start of its parts, VA; undefined where none has one. */
  readonly start: Quantity | undefined;
}

/** What a list says of a load: all of its parts on, in no state in particular. */
export function loadSummary(rig: Rig, load: Load): LoadSummary {
  const { parts } = consumerOf(load, systemOfLoad(rig, load));
  const largest = parts.reduce((most, part) => (wattsOf(part) > wattsOf(most) ? part : most));
  const start = parts
    .flatMap(({ size }) => (size ? [size.va] : []))
    .reduce<Quantity | undefined>((most, va) => (most && most.value >= va.value ? most : va), undefined);
  return {
    family: kindOfPart(largest.part.kind).family,
    running: largest.power.watts,
    watts: parts.reduce((sum, part) => sum + wattsOf(part), 0),
    start,
  };
}

const wattsOf = ({ power }: ConsumerPart): number => power.watts.value;
