import { READ_TWICE } from '../../reference/plate-tolerances.js';
import { keyOfFact, type PlateFact } from './plate-fact.js';
import { plateFacts } from './plate-facts.js';
import { readPlate } from './read-plate.js';

/** One of several readings of the same picture, and what the others read in its place. */
export interface ReadingsCompared {
  readonly text: string;
  /** Numbers that another reading has otherwise, by their keys. */
  readonly otherwise: ReadonlyMap<string, PlateFact>;
}

/**
 * Of several readings of one picture the one that says the most, with every number that another of them reads otherwise: what two
 * ways to look at a picture do not agree on is to be looked at by eye.
 */
export function compareReadings(texts: readonly string[], volts: number | undefined): ReadingsCompared {
  const read = texts.map((text) => {
    const plate = readPlate(text);
    const { facts, open } = plateFacts(plate, volts, {});
    return { text, facts, score: facts.length - (open.length + plate.unread.length) / 2 };
  });
  const best = read.reduce(
    (most, each) => (each.score > most.score ? each : most),
    read[0] ?? { text: '', facts: [], score: 0 },
  );
  const others = read.filter((each) => each !== best).flatMap(({ facts }) => facts);
  return {
    text: best.text,
    otherwise: new Map(
      best.facts.flatMap((fact) => {
        const other = others.find((each) => keyOfFact(each) === keyOfFact(fact) && !isSame(each, fact));
        return other ? [[keyOfFact(fact), other] as const] : [];
      }),
    ),
  };
}

const isSame = (one: PlateFact, other: PlateFact): boolean =>
  one.letter === other.letter && Math.abs(one.value - other.value) <= READ_TWICE * Math.abs(other.value);
