import type { SourceLimit } from '../electrical/assist.js';
import type { SurgeRating } from '../electrical/surge-tiers.js';
import type { Battery, Converter, Protection, Source, Supply } from '../rig/schema.js';

/** What the current of a set passes through: each must carry its share, and each has limits of its own. */
export type SeriesElement =
  InverterElement | GeneratorElement | BreakerElement | RelayElement | CordElement | BatteryElement;

interface ElementBase {
  readonly id: string;
  readonly name: string;
  /** Ids of the loads whose current passes through it. */
  readonly members: ReadonlySet<string>;
}

/** Who carries a start while the inverter assists: a fact of the supply (methods.md, rule 11). */
export type StartCarrier = NonNullable<Supply['whoCarriesStart']>;

/** What stands between a source and the loads behind an inverter/charger. */
export interface BehindLimit {
  /** Loads fed through the transfer relay. */
  readonly behind: ReadonlySet<string>;
  readonly limit: SourceLimit;
  readonly startCarrier: StartCarrier;
}

/** An inverter that carries its members, or adds to a limited source. */
export interface InverterElement extends ElementBase {
  readonly kind: 'inverter';
  readonly converter: Converter;
  readonly rating: SurgeRating;
  /** Set while it assists: what the source carries of the same loads. */
  readonly assists?: Assist;
}

export interface Assist {
  readonly volts: number;
  readonly limit: SourceLimit;
  readonly startCarrier: StartCarrier;
  /** The breaker of the source and the loads ahead on it, for what both carry together. */
  readonly sourceBreaker: Protection | undefined;
  readonly ahead: ReadonlySet<string>;
  readonly relayA: number;
}

interface OnSource {
  /** Set where part of the members is behind an inverter/charger that limits or charges. */
  readonly behindLimit?: BehindLimit | undefined;
}

export interface GeneratorElement extends ElementBase, OnSource {
  readonly kind: 'generator';
  readonly source: Source;
  readonly rating: SurgeRating;
}

export interface BreakerElement extends ElementBase, OnSource {
  readonly kind: 'branch-breaker' | 'output-breaker' | 'source-breaker';
  readonly protection: Protection;
  /** Nominal voltage of its bus, V. */
  readonly volts: number;
  /** What others draw from the same breaker. */
  readonly otherLoadsA?: Supply['otherLoadsA'];
}

/** The transfer relay of an inverter/charger: a rating to keep, not a device that opens. */
export interface RelayElement extends ElementBase, OnSource {
  readonly kind: 'relay';
  readonly amps: number;
  readonly volts: number;
}

/** A plug, receptacle, adapter or cord: no breaker protects it if it is smaller (methods.md, rule 9). */
export interface CordElement extends ElementBase, OnSource {
  readonly kind: 'plug-and-cord';
  readonly amps: number;
  readonly volts: number;
}

/** The batteries on one DC bus, with the inverter that draws from them. */
export interface BatteryElement extends ElementBase {
  readonly kind: 'battery';
  readonly batteries: readonly Battery[];
  readonly volts: number;
  readonly inverter: InverterElement | undefined;
  /** DC loads on the same bus. */
  readonly dcMembers: ReadonlySet<string>;
}
