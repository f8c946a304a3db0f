import type { Circuit, EntryList } from '@heliarch/core/rig';

/** A point of the drawing, in its own pixels. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

type SymbolKind = 'inlet' | 'generator' | 'vehicle' | 'converter' | 'battery' | 'solar';

/** A part drawn as a symbol, and where its words begin. */
export interface PlacedPart extends Point {
  readonly list: EntryList;
  readonly id: string;
  readonly kind: SymbolKind;
}

export interface PlacedCircuit extends Point {
  readonly circuit: Circuit;
  /** Where its wire leaves the bar. */
  readonly fromX: number;
  readonly height: number;
  /** The names of its loads, line by line, each at its place. */
  readonly loads: readonly PlacedLoad[];
  /** Leg of a bar with two. */
  readonly leg: string | undefined;
}

export interface PlacedLoad extends Point {
  readonly id: string;
  readonly name: string;
  readonly width: number;
}

export interface Bar {
  readonly busId: string;
  /** Written beside it; empty where another bar of the bus has the name. */
  readonly name: string;
  readonly spoken: string;
  readonly from: Point;
  readonly to: Point;
  readonly label: Point;
}

/** A wire: corners only, every stretch level or upright. */
export type Wire = readonly Point[];

/** Where a breaker or a fuse sits on a wire. */
export interface Device extends Point {
  readonly kind: 'breaker' | 'fuse';
  readonly list: EntryList;
  readonly id: string;
}

export interface OneLine {
  readonly width: number;
  readonly height: number;
  readonly bars: readonly Bar[];
  readonly wires: readonly Wire[];
  readonly nodes: readonly Point[];
  readonly parts: readonly PlacedPart[];
  readonly circuits: readonly PlacedCircuit[];
  readonly devices: readonly Device[];
}
