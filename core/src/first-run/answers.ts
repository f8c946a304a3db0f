import type { Amount } from '../units/parse-amount.js';
import type { Chemistry } from '../reference/batteries.js';
import type { TypicalLoad } from '../reference/typical-loads.js';
import type { MainsId } from './mains.js';

/** What the first questions ask; whatever is left open is undefined. Watts, volts and amps as asked. */
export interface FirstAnswers {
  readonly name: string;
  readonly mains: MainsId;
  /** What feeds the loads: an inverter with its battery, or the wall alone. */
  readonly fedBy?: 'inverter' | 'wall' | undefined;
  readonly batteryV?: number | undefined;
  readonly batteryAh?: number | undefined;
  readonly chemistry?: Chemistry | undefined;
  readonly inverterW?: number | undefined;
  readonly inverterVA?: number | undefined;
  readonly tiers?: readonly FirstTier[] | undefined;
  readonly assists?: boolean | undefined;
  /** What charges the battery from shore: the inverter itself, a converter or charger of its own, or nothing. */
  readonly charger?: FirstCharger | undefined;
  readonly chargeA?: number | undefined;
  /** The posts and outlets it is plugged into, the usual one first; none where there is no hookup. */
  readonly hookups: readonly FirstHookup[];
  readonly solarW?: number | undefined;
  readonly generatorW?: number | undefined;
  readonly circuits: readonly FirstCircuit[];
  readonly loads: readonly FirstLoad[];
}

export type FirstCharger = 'in-inverter' | 'separate' | 'none';

interface FirstTier {
  readonly va: number;
  readonly seconds: number;
}

interface FirstHookup {
  readonly amps: number;
  /** The smallest plug or adapter on the way, where one is smaller than the breaker. */
  readonly plugA?: number | undefined;
}

interface FirstCircuit {
  readonly name: string;
  readonly amps: number;
  /** Between the two legs, at twice the volts. */
  readonly isPair?: boolean | undefined;
}

export interface FirstLoad {
  readonly kind: TypicalLoad;
  /** What its plate says: watts, amps, volt-amperes or horsepower. */
  readonly stated?: Amount | undefined;
  readonly count?: number | undefined;
  /** Where it hangs; where nothing is said, where its kind usually does. */
  readonly circuit?: FirstPlace | undefined;
}

/** A circuit by its place among the answers, or a breaker of the load's own, at one or two legs. */
export type FirstPlace = number | 'own' | 'own-pair';
