import { NO_CHARGING, type Charging, type SourceLimit } from '../../supply/assist.js';
import { REFERENCE_VOLTS } from '../../reference/batteries.js';
import { mayCharge, usualChargeA } from '../../rig/charging-loads.js';
import type { Converter, Rig, Supply } from '../../rig-file/schema.js';
import { CHARGER_EFFICIENCY, CHARGER_POWER_FACTOR, CHARGING_VOLTS } from '../../reference/inverter-losses.js';
import { busOf } from './fed-loads.js';
import type { LegView, OutputLeg } from './leg-views.js';
import { heatAt } from './heat-at.js';
import { withAmps } from './names-of-elements.js';
import { inverterRating } from './ratings.js';
import { hasContinuousRule } from '../../protection/continuous-rule.js';
import type {
  Assist,
  BehindLimit,
  BreakerElement,
  InverterElement,
  Members,
  RelayElement,
  UnknownRatingElement,
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
    charger: mayCharge(supply) ? chargingOf(rig, converter, leg.ratingShare) : NO_CHARGING,
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

/**
 * What charging draws of all units at their full setting, VA: volts x amps / (efficiency x power factor). Where the amps are
 * not entered: what is usual for the bank, shared by all that charge it.
 */
function chargingOf(
  rig: Rig,
  { kind, from, chargeA, unitsInParallel = 1 }: Converter,
  share: number,
): Charging {
  if (kind !== 'inverter-charger' && chargeA === undefined) return NO_CHARGING;
  const twelves = Math.max(1, Math.round(busOf(rig, from).volts / REFERENCE_VOLTS));
  const entered = chargeA === undefined ? undefined : chargeA * unitsInParallel;
  const usual = usualChargeA(rig, from) ?? { stated: 0, hi: 0 };
  const draws = (volts: number, amps: number, efficiency: number): number =>
    (volts * twelves * amps * share) / (efficiency * CHARGER_POWER_FACTOR);
  return {
    stated: draws(CHARGING_VOLTS.usual, entered ?? usual.stated, CHARGER_EFFICIENCY.usual),
    hi: draws(CHARGING_VOLTS.high, entered ?? usual.hi, CHARGER_EFFICIENCY.low),
  };
}

/** The charge current of an inverter/charger that charges with amps that are not entered. */
export function unknownCharging({
  converter,
  leg,
  behindLimit,
}: ConverterLeg): readonly UnknownRatingElement[] {
  if (converter.chargeA !== undefined || !behindLimit || behindLimit.limit.charger.hi === 0) return [];
  return [
    {
      kind: 'unknown-rating',
      of: 'charger',
      id: `${converter.id}:charge${leg.idSuffix}`,
      name: `Charge current of ${converter.name}${leg.nameSuffix}`,
      members: new Map(),
      behindLimits: [{ ...behindLimit, behind: new Set() }],
    },
  ];
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
          ...heatAt(rig, 'panelC'),
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
