import type { SourceLimit } from '../../supply/assist.js';
import type { Consumer } from '../../loads/consumer.js';
import type { SharingLegs } from '../../supply/legs.js';
import type { SurgeRating } from '../../supply/surge-tiers.js';
import type { Interval } from '../../units/quantity.js';
import type {
  Battery,
  Bus,
  Converter,
  Protection,
  Rig,
  Scene,
  Source,
  Supply,
} from '../../rig-file/schema.js';

/** What the current of a set passes through: each must carry its share, and each has limits of its own. */
export type SeriesElement =
  | InverterElement
  | GeneratorElement
  | BreakerElement
  | RelayElement
  | CordElement
  | NeutralElement
  | CableElement
  | UnknownRatingElement
  | LoadVoltsElement
  | BatteryElement;

/**
 * The loads whose current passes through an element, and the share of their volt-amps it carries: all of
 * it, or half on each leg of a load between two legs.
 */
export type Members = ReadonlyMap<string, number>;

interface ElementBase {
  readonly id: string;
  readonly name: string;
  readonly members: Members;
  /** What charges through it whatever else is on: with it alone the supply is judged by itself. */
  readonly chargingAlone?: readonly Consumer[];
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

/** An inverter, or one leg of it, that carries its members or adds to a limited source. */
export interface InverterElement extends ElementBase {
  readonly kind: 'inverter';
  readonly converter: Converter;
  readonly rating: SurgeRating;
  /** Units side by side times the share of each on this conductor: what rating and losses go by. */
  readonly units: number;
  /** Set while it assists: what the source carries of the same loads. */
  readonly assists?: Assist;
}

export interface Assist {
  readonly volts: number;
  readonly limit: SourceLimit;
  readonly startCarrier: StartCarrier;
  /** The breakers of the source in series and the loads ahead on them, for what both carry together. */
  readonly sourceBreakers: readonly RatedBreaker[];
  readonly ahead: Members;
  readonly relayA: number;
}

/** A breaker and how warm it is where it sits. */
export interface RatedBreaker {
  readonly protection: Protection;
  readonly celsius: number | undefined;
  /** As warm as it may be, where that is not entered and the outdoors is. */
  readonly celsiusAtWorst?: number | undefined;
}

interface OnSource {
  /** Set where part of the members is behind an inverter/charger that limits or charges. */
  readonly behindLimits: readonly BehindLimit[];
}

/** Whether charging flows through it, loads or not: an inverter/charger charges on each conductor it is on. */
export function charges(element: SeriesElement): boolean {
  return 'behindLimits' in element && element.behindLimits.some(({ limit }) => limit.charger.hi > 0);
}

export interface GeneratorElement extends ElementBase, OnSource {
  readonly kind: 'generator';
  readonly source: Source;
  readonly rating: SurgeRating;
}

export interface BreakerElement extends ElementBase, OnSource, RatedBreaker {
  /** Behind the breaker of the hookup an inlet may have one of its own. */
  readonly kind: 'branch-breaker' | 'output-breaker' | 'source-breaker' | 'inlet-breaker';
  /** Nominal voltage of its bus, V. */
  readonly volts: number;
  /** Whether the 80 % rule counts for it. */
  readonly hasContinuousRule: boolean;
  /** What others draw from the same breaker. */
  readonly otherLoadsA?: Supply['otherLoadsA'];
}

/** What the set depends on and is not entered: the rating of a source, a cord, or the amps of a charger. */
export interface UnknownRatingElement extends ElementBase, OnSource {
  readonly kind: 'unknown-rating';
  readonly of: 'source' | 'cord' | 'charger';
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
  /** Section of its wire, mm², where that is what limits it: how fast it heats. */
  readonly mm2?: number;
  /** Whether the 80 % rule counts for it: the receptacle is the part that burns. */
  readonly hasContinuousRule: boolean;
}

/** The cable of a circuit, by the ampacity of the school the rig follows. */
export interface CableElement extends ElementBase {
  readonly kind: 'cable';
  readonly amps: number;
  readonly volts: number;
  /** Section of all its conductors side by side, mm². */
  readonly mm2: number;
  readonly source: string;
}

/** A neutral that two circuits share: on one 120 V pole it carries their sum, and no breaker sees it. */
export interface NeutralElement extends ElementBase {
  readonly kind: 'neutral';
  readonly amps: number;
  readonly volts: number;
  readonly legs: SharingLegs;
  /** The loads of each of the two circuits. */
  readonly sides: readonly [ReadonlySet<string>, ReadonlySet<string>];
}

/** One impedance between what feeds a load and its terminals, ohm, and the loads whose current flows there. */
export interface PathImpedance {
  readonly what: 'inverter' | 'pedestal' | 'generator' | 'cord' | 'circuit-cable';
  readonly ohms: Interval;
  readonly members: Members;
}

/** The volts at the terminals of one load, behind all that lies between it and what feeds it. */
export interface LoadVoltsElement extends ElementBase {
  readonly kind: 'load-volts';
  /** Rated volts of the load. */
  readonly volts: number;
  /** Volts of what feeds it over nominal, with nothing drawn. */
  readonly openShare: Interval;
  readonly path: readonly PathImpedance[];
}

/** The batteries on one DC bus, with the inverters that draw from them. */
export interface BatteryElement extends ElementBase {
  readonly kind: 'battery';
  readonly batteries: readonly Battery[];
  readonly bus: Bus;
  readonly volts: number;
  readonly inverters: readonly InverterElement[];
  /** DC loads on the same bus. */
  readonly dcMembers: Members;
  readonly celsius: number | undefined;
  /** Its state of charge, where it was read. */
  readonly charge?: Scene['charge'];
  readonly ampacitySchool: NonNullable<NonNullable<Rig['practice']>['ampacity']>;
}
