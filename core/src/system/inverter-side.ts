import { NO_CHARGING, type Charging, type SourceLimit } from '../electrical/assist.js';
import { REFERENCE_VOLTS } from '../reference/batteries.js';
import type { Converter, Rig, Supply } from '../rig/schema.js';
import { CHARGER_EFFICIENCY, CHARGER_POWER_FACTOR, CHARGING_VOLTS } from '../reference/inverter-losses.js';
import { busOf } from './fed-loads.js';
import type { LegView, OutputLeg } from './leg-views.js';
import { withAmps } from './names-of-elements.js';
import { inverterRating } from './ratings.js';
import { hasContinuousRule } from './continuous-rule.js';
import type {
  Assist,
  BehindLimit,
  BreakerElement,
  InverterElement,
  Members,
  RelayElement,
} from './series-elements.js';

/** One conductor of an inverter/charger, and the limit between it and its source. */
export interface ConverterLeg {
  readonly converter: Converter;
  readonly leg: OutputLeg;
  readonly behindLimit: BehindLimit | undefined;
}

/** The input limit and the charger of a conductor that passes a source on. */
export function converterLeg(rig: Rig, supply: Supply, converter: Converter, leg: OutputLeg): ConverterLeg {
  if (!leg.passedOn) return { converter, leg, behindLimit: undefined };
  const volts = busOf(rig, converter.to).volts;
  const assists = supply.assist === 'on' && converter.canAssist === 'yes' && supply.inputLimitA !== undefined;
  const limit: SourceLimit = {
    va: (supply.inputLimitA ?? Infinity) * volts,
    assists,
    charger: supply.charging === 'on' ? chargingOf(rig, converter, leg.ratingShare) : NO_CHARGING,
  };
  return {
    converter,
    leg,
    behindLimit: {
      behind: new Set(leg.members.keys()),
      limit,
      startCarrier: supply.whoCarriesStart ?? 'unknown',
    },
  };
}

/** What charging draws of all units at their full setting, VA: volts x amps / (efficiency x power factor). */
function chargingOf(
  rig: Rig,
  { from, chargeA = 0, unitsInParallel = 1 }: Converter,
  share: number,
): Charging {
  const twelves = Math.max(1, Math.round(busOf(rig, from).volts / REFERENCE_VOLTS));
  const amps = chargeA * unitsInParallel * share;
  const draws = (volts: number, efficiency: number): number =>
    (volts * twelves * amps) / (efficiency * CHARGER_POWER_FACTOR);
  return {
    stated: draws(CHARGING_VOLTS.usual, CHARGER_EFFICIENCY.usual),
    hi: draws(CHARGING_VOLTS.high, CHARGER_EFFICIENCY.low),
  };
}

/**
 * The inverter of a conductor: alone, or beside its source while it assists.
 *
 * @param beside What stands beside it on the source: its breaker, and the loads ahead of the limit.
 */
export function inverterElements(
  rig: Rig,
  { converter, leg, behindLimit }: ConverterLeg,
  beside: { readonly breakers: Assist['sourceBreakers']; readonly ahead: Members },
): readonly InverterElement[] {
  if (leg.members.size === 0 || (leg.passedOn && !behindLimit?.limit.assists)) return [];
  const element: InverterElement = {
    kind: 'inverter',
    id: `${converter.id}${leg.idSuffix}`,
    name: `${converter.name}${leg.ratingShare < 1 ? leg.nameSuffix : ''}`,
    converter,
    rating: inverterRating(rig, converter, leg.ratingShare),
    units: (converter.unitsInParallel ?? 1) * leg.ratingShare,
    members: leg.members,
  };
  if (!behindLimit) return [element];
  const assists: Assist = {
    volts: busOf(rig, converter.to).volts,
    limit: behindLimit.limit,
    startCarrier: behindLimit.startCarrier,
    sourceBreakers: beside.breakers,
    ahead: beside.ahead,
    relayA: converter.passThroughA ?? Infinity,
  };
  return [{ ...element, assists }];
}

/** What stands behind an inverter/charger in either way of working: its output breaker and its relay. */
export function outputElements(
  rig: Rig,
  { converter, leg, behindLimit }: ConverterLeg,
): readonly (BreakerElement | RelayElement)[] {
  const { volts } = busOf(rig, converter.to);
  const { outputBreaker, passThroughA } = converter;
  const breaker: readonly BreakerElement[] = outputBreaker
    ? [
        {
          kind: 'output-breaker',
          id: `${converter.id}:output${leg.idSuffix}`,
          name: `${withAmps('Output', outputBreaker)}${leg.nameSuffix}`,
          protection: outputBreaker,
          celsius: rig.conditions?.panelC,
          hasContinuousRule: hasContinuousRule(rig, outputBreaker),
          volts,
          members: leg.members,
          behindLimits: [],
        },
      ]
    : [];
  if (passThroughA === undefined || !leg.passedOn) return breaker;
  return [...breaker, relayOf(converter, leg, passThroughA, volts, behindLimit)];
}

function relayOf(
  converter: Converter,
  leg: LegView,
  amps: number,
  volts: number,
  behindLimit: BehindLimit | undefined,
): RelayElement {
  return {
    kind: 'relay',
    id: `${converter.id}:relay${leg.idSuffix}`,
    name: `Transfer relay ${amps} A${leg.nameSuffix}`,
    amps,
    volts,
    members: leg.members,
    behindLimits: behindLimit ? [behindLimit] : [],
  };
}
