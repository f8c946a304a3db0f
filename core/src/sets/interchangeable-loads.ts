import type { Consumer } from '../loads/consumer.js';
import type { DoubtfulTerm } from '../units/combine-doubts.js';
import type { Edge } from '../units/quantity.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import type { Part } from '../rig-file/schema.js';
import type { Members } from '../check/wiring/series-elements.js';
import { bitAt, bitsOf, minus } from './bits.js';

/** Watts and vars of each class of loads, one after the other: what the loads of a set come to at most. */
export type MostDrawn = readonly number[];

/**
 * Loads that stand for any set of some loads on one element, at the pessimistic edge. Doubts read against the user add up
 * to no more than their sum, whatever they share, and currents at any angles to no more than the sums of their parts. So
 * what passes beside stand-ins of so many watts and vars passes beside every set that comes to no more.
 *
 * Loads are told apart by which groups of the element they belong to: one stand-in for each class of them.
 *
 * Source: triangle inequality; JCGM 100:2008, 5.1.2 (a combined doubt never exceeds the sum of the doubts).
 */
export class InterchangeableLoads {
  private readonly classOf: readonly number[];
  private readonly examples: readonly Consumer[];
  private readonly draws: readonly (readonly [watts: number, nonActive: number])[];

  /**
   * @param consumers Loads by their bits.
   * @param members The loads of the element, with the share of each that flows there.
   * @param groups Every group of loads that a limit of it asks about.
   */
  constructor(
    private readonly consumers: readonly Consumer[],
    members: Members,
    groups: readonly { has(id: string): boolean }[],
  ) {
    const signatures = consumers.map((consumer) => signatureOf(consumer, members, groups));
    const classes = [...new Set(signatures)];
    this.classOf = signatures.map((signature) => classes.indexOf(signature));
    this.examples = classes.map((signature) =>
      exampleOf(consumers.filter((_, bit) => signatures[bit] === signature)),
    );
    this.draws = consumers.map(mostOf);
  }

  /** What the loads of a set come to at most, one of them left out. */
  mostDrawn(mask: number, without?: number): MostDrawn {
    const most = new Array<number>(2 * this.examples.length).fill(0);
    for (const bit of bitsOf(without === undefined ? mask : minus(mask, bitAt(without)))) {
      const at = 2 * this.classOf[bit]!;
      const [watts, nonActive] = this.draws[bit]!;
      most[at]! += watts;
      most[at + 1]! += nonActive;
    }
    return most;
  }

  /** Loads that draw so much, one of each class; none is the load that starts. */
  drawing(most: MostDrawn, starts?: number): readonly Consumer[] | undefined {
    const standing: Consumer[] = [];
    const starting = starts === undefined ? undefined : this.consumers[starts]?.load.id;
    for (const [index, example] of this.examples.entries()) {
      const [watts, nonActive] = [most[2 * index]!, most[2 * index + 1]!];
      if (watts === 0 && nonActive === 0) continue;
      const load = this.consumers.find(
        ({ load: { id } }, bit) => id !== starting && this.classOf[bit] === index,
      )?.load;
      if (!load) return undefined;
      standing.push(withDraw({ ...example, load: { ...load, runsMinutes: Infinity } }, watts, nonActive));
    }
    return standing;
  }
}

/** Loads that count alike in every limit of an element, as places: the class with the most of them. */
export function largestClass(
  consumers: readonly Consumer[],
  members: Members,
  groups: readonly { has(id: string): boolean }[],
): readonly number[] {
  const classes = new Map<string, number[]>();
  for (const [place, consumer] of consumers.entries()) {
    if (!members.has(consumer.load.id)) continue;
    const signature = signatureOf(consumer, members, groups);
    classes.set(signature, [...(classes.get(signature) ?? []), place]);
  }
  return [...classes.values()].reduce((most, each) => (each.length > most.length ? each : most), []);
}

/** Which groups it belongs to, with what share, and whether its current is turned against that of the others. */
function signatureOf(
  { load, parts }: Consumer,
  members: Members,
  groups: readonly { has(id: string): boolean }[],
): string {
  const isTurned = parts.some(({ running }) => running.isBetweenPhases);
  return [members.get(load.id) ?? '', isTurned, ...groups.map((group) => group.has(load.id))].join(' ');
}

/** One part, of the kind with the highest peaks: what a limit asks of the kinds of parts is no less for the stand-in. */
function exampleOf(consumers: readonly Consumer[]): Consumer {
  const [first] = consumers;
  const [some, ...parts] = consumers.flatMap((consumer) => consumer.parts);
  const crest = ({ part }: { readonly part: Part }): number => kindOfPart(part.kind).crestFactor ?? 0;
  if (!some) return { ...first!, parts: [] };
  const highest = parts.reduce((top, part) => (crest(part) > crest(top) ? part : top), some);
  return { ...first!, parts: [{ ...highest, start: undefined }] };
}

/** A load with every number at its most and no doubt left: doubts that combine beside a stand-in would come to too little. */
export function atMost(consumer: Consumer): Consumer {
  const most = ({ value, plus, causes }: DoubtfulTerm): DoubtfulTerm => ({
    value: value + plus,
    minus: 0,
    plus: 0,
    causes,
  });
  return {
    ...consumer,
    parts: consumer.parts.map(({ running, start, ...part }) => ({
      ...part,
      running: { ...running, watts: most(running.watts), nonActive: most(running.nonActive) },
      start: start && { ...start, va: most(start.va) },
    })),
  };
}

/**
 * A load that asks the least of a limit while it draws so many watts: no vars, no doubts, no peaks, soon over. A set that
 * comes to as many watts fails where this one does.
 */
export function askingLeast(consumer: Consumer, watts: number): Consumer {
  const parts = consumer.parts.slice(0, 1).map((each) => ({
    ...each,
    part: { ...each.part, kind: 'resistance-heater' as const },
    start: undefined,
  }));
  return withDraw({ ...consumer, load: { ...consumer.load, runsMinutes: 0 }, parts }, watts, 0);
}

/** Watts that a load draws at least, at an edge, W. */
export function leastDrawn({ parts }: Consumer, edge: Edge): number {
  return parts.reduce(
    (sum, { running: { watts } }) => sum + watts.value - (edge === 'optimistic' ? watts.minus : 0),
    0,
  );
}

function withDraw(consumer: Consumer, watts: number, nonActive: number): Consumer {
  const exactly = (value: number): DoubtfulTerm => ({ value, minus: 0, plus: 0, causes: [] });
  return {
    ...consumer,
    parts: consumer.parts.map((part) => ({
      ...part,
      running: { ...part.running, watts: exactly(watts), nonActive: exactly(nonActive) },
    })),
  };
}

function mostOf({ parts }: Consumer): readonly [number, number] {
  const most = (of: 'watts' | 'nonActive'): number =>
    parts.reduce((sum, { running }) => sum + running[of].value + running[of].plus, 0);
  return [most('watts'), most('nonActive')];
}
