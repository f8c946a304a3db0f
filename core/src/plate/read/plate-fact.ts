import type { PlateQuantity } from '../../reference/plate-terms.js';

/** Of which part or side of a thing a number is. */
export type PlateSlot =
  | 'main'
  | 'input'
  | 'output'
  | 'compressor'
  | 'fan'
  | 'heater'
  | 'most'
  | 'charge'
  | 'discharge'
  | 'idle'
  /** Direct current of a thing that has alternating current too. */
  | 'direct';

/** A number of a plate that can be used, in our units. */
export interface PlateFact {
  readonly slot: PlateSlot;
  readonly quantity: PlateQuantity;
  /** Of a range its middle. */
  readonly value: number;
  /** Ends of a range. */
  readonly range: readonly [number, number] | undefined;
  /** Several that are not told apart, such as 50/60 Hz: the first stands for them. */
  readonly isList: boolean;
  readonly letter: string | undefined;
  readonly line: number;
  readonly text: string;
  /** Read by a program off a picture, and not compared with it yet. */
  readonly isUnconfirmed?: boolean;
}

/** What a number is told by: there is one of each. */
export const keyOfFact = ({ slot, quantity }: Pick<PlateFact, 'slot' | 'quantity'>): string =>
  `${slot}-${quantity}`;

/** The fact of a slot, else of another one, in that order. */
export function factAt(
  facts: readonly PlateFact[],
  quantity: PlateQuantity,
  ...slots: readonly PlateSlot[]
): PlateFact | undefined {
  return slots
    .flatMap((slot) => facts.filter((fact) => fact.slot === slot && fact.quantity === quantity))
    .at(0);
}
