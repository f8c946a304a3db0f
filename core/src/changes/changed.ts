import { sizesOfCurve } from '../protection/standard-size.js';
import type { BreakerCurve } from '../reference/breaker-curves.js';
import { withCopy } from '../rig/entries.js';
import { withoutCharging } from '../rig/edits.js';
import { onWith } from '../rig/followers.js';
import type { Battery, Converter, Load, Part, Rig, Supply } from '../rig-file/schema.js';
import type { Quantity } from '../units/quantity.js';
import type { LoadOn } from '../check/situation.js';
import type { AskedSet, CableSize, Change, ChangeByHand, ChangeOfRig, ChangeOfSupply } from './change.js';

/** A set with several changes made to it, one after the other. */
export function changedBy(asked: AskedSet, changes: readonly Change[]): AskedSet {
  return changes.reduce(changed, asked);
}

/** A set with a change made to it: the same rig wherever only what is on is another. */
export function changed(asked: AskedSet, change: Change): AskedSet {
  switch (change.by) {
    case 'order':
      return { ...asked, startOrder: 'best' };
    case 'supply':
      return { ...asked, scene: { ...asked.scene, supply: change.supplyId } };
    case 'habit':
      return { ...asked, scene: { ...asked.scene, on: withHabit(asked.scene.on, change) } };
    case 'state':
    case 'hold-off':
    case 'wait':
    case 'other-fuel':
    case 'swap':
    case 'off':
      return { ...asked, scene: { ...asked.scene, on: onAfter(asked, change) } };
    default:
      return {
        ...asked,
        rig: isOfItsSupply(change) ? withSupplyChanged(asked, change) : rigAfter(asked.rig, change),
      };
  }
}

type OfWhatIsOn = Exclude<ChangeByHand, { readonly by: 'order' | 'habit' | 'shorter' }>;

function withHabit(
  on: readonly LoadOn[],
  { restartsId, offIds }: Extract<Change, { readonly by: 'habit' }>,
): readonly LoadOn[] {
  return on.map((entry) =>
    offIds.includes(entry.load)
      ? { ...entry, offAtRestartOf: [...new Set([...(entry.offAtRestartOf ?? []), restartsId])] }
      : entry,
  );
}

function onAfter({ rig, scene: { on } }: AskedSet, change: OfWhatIsOn): readonly LoadOn[] {
  const replaced = (entry: LoadOn): readonly LoadOn[] => {
    if (entry.load !== change.loadId) return [entry];
    switch (change.by) {
      case 'state':
        return [{ ...entry, state: change.stateId }];
      case 'hold-off':
        return [{ ...entry, heldOff: 'yes' }];
      case 'swap':
        return onWith(rig, on, change.withId).map((load) => ({ load }));
      default:
        return [];
    }
  };
  return on.flatMap(replaced);
}

type OfItsSupply = Exclude<ChangeOfSupply, { readonly by: 'supply' }>;

const OF_ITS_SUPPLY: readonly Change['by'][] = ['charging-off', 'input-limit', 'assist-on', 'who-carries'];
const isOfItsSupply = (change: Change): change is OfItsSupply => OF_ITS_SUPPLY.includes(change.by);

function withSupplyChanged({ rig, scene }: AskedSet, change: OfItsSupply): Rig {
  if (change.by === 'charging-off') return withoutCharging(rig, scene.supply);
  const edit = (supply: Supply): Supply => {
    switch (change.by) {
      case 'input-limit':
        return { ...supply, inputLimitA: change.amps };
      case 'assist-on':
        return { ...supply, assist: 'on' };
      case 'who-carries':
        return { ...supply, whoCarriesStart: change.carrier };
    }
  };
  return {
    ...rig,
    supplies: rig.supplies.map((supply) => (supply.id === scene.supply ? edit(supply) : supply)),
  };
}

type OfTheRig = ChangeOfRig | Extract<ChangeByHand, { readonly by: 'shorter' }>;

function rigAfter(rig: Rig, change: OfTheRig): Rig {
  switch (change.by) {
    case 'shorter':
      return withLoad(rig, change.loadId, (load) => ({ ...load, runsMinutes: change.minutes }));
    case 'circuit':
      return withLoad(rig, change.loadId, (load) => ({ ...load, circuit: change.circuitId }));
    case 'soft-starter':
      return withPart(rig, change, ({ start, ...part }) => ({ ...part, start: { ...start, soft: {} } }));
    case 'unloader':
      return withPart(rig, change, ({ start: _start, ...part }) => ({ ...part, kind: 'air-compressor' }));
    case 'untie':
      return { ...rig, ties: (rig.ties ?? []).filter((tie) => !isThat(tie, change)) };
    case 'cool-inverter':
      return { ...rig, conditions: { ...rig.conditions, inverterC: change.celsius } };
    default:
      return withPurchase(rig, change);
  }
}

type OfTheSystem = Extract<
  ChangeOfRig,
  { readonly by: 'either-or' | 'battery-cable' | 'circuit-cable' | 'more-battery' | 'bigger-inverter' }
>;

function withPurchase(rig: Rig, change: OfTheSystem): Rig {
  switch (change.by) {
    case 'either-or':
      return {
        ...rig,
        locks: [...(rig.locks ?? []), { name: 'Either-or switch', loads: [...change.loadIds] }],
      };
    case 'battery-cable':
      return {
        ...rig,
        batteries: rig.batteries.map((each) =>
          each.id === change.batteryId ? { ...each, cable: resized(each.cable, change.cable) } : each,
        ),
      };
    case 'circuit-cable':
      return {
        ...rig,
        circuits: rig.circuits.map((each) =>
          each.id === change.circuitId ? { ...each, cable: resized(each.cable, change.cable) } : each,
        ),
      };
    case 'more-battery':
      return withSecondBattery(rig, change.batteryId);
    case 'bigger-inverter':
      return {
        ...rig,
        converters: rig.converters.map((each) =>
          each.id === change.converterId ? scaledInverter(each, change.factor) : each,
        ),
      };
  }
}

/** Of equal kind and age, with cables of the same length: only then do two share evenly. */
function withSecondBattery(rig: Rig, batteryId: string): Rig {
  const copied = withCopy(rig, 'batteries', batteryId).rig;
  const { bus } = copied.batteries.find(({ id }) => id === batteryId) ?? {};
  const evenly = (battery: Battery): Battery =>
    battery.bus === bus ? { ...battery, sharesEvenly: 'yes' } : battery;
  return { ...copied, batteries: copied.batteries.map(evenly) };
}

/**
 * A larger unit of the same kind: a breaker and a relay of its own that go with its rating. In whole watts, volt-amps and
 * amps, and of breakers in sizes that are made: as it is printed, so it is tried.
 */
export function scaledInverter(converter: Converter, factor: number): Converter {
  const { continuousW, continuousVA, tiers, outputBreaker, passThroughA } = converter;
  return {
    ...converter,
    continuousW: timesEntered(continuousW, factor),
    continuousVA: timesEntered(continuousVA, factor),
    tiers: tiers.map((tier) => ({ ...tier, limit: timesEntered(tier.limit, factor) })),
    ...(outputBreaker && {
      outputBreaker: { ...outputBreaker, amps: sizeAbove(outputBreaker.curve, outputBreaker.amps * factor) },
    }),
    ...(passThroughA !== undefined && { passThroughA: roundedUp(passThroughA * factor) }),
  };
}

/** A figure that is whole but for the last digits of a computer's is that figure. */
const roundedUp = (value: number): number => Math.ceil(value - WHOLE_WITHIN);
const WHOLE_WITHIN = 1e-6;

const sizeAbove = (curve: BreakerCurve, amps: number): number =>
  sizesOfCurve(curve).find((size) => size >= amps - WHOLE_WITHIN) ?? roundedUp(amps);

/** As entered: a doubt that follows from its basis stays one. */
function timesEntered({ value, minus, plus, ...known }: Quantity, factor: number): Quantity {
  return {
    ...known,
    value: roundedUp(value * factor),
    ...(minus !== undefined && { minus: minus * factor }),
    ...(plus !== undefined && { plus: plus * factor }),
  };
}

function resized(cable: Battery['cable'], size: CableSize): NonNullable<Battery['cable']> {
  const { awg: _awg, mm2: _mm2, ...rest } = cable ?? {};
  return { ...rest, ...size };
}

const isThat = (
  tie: NonNullable<Rig['ties']>[number],
  { followerId, leaderId }: { readonly followerId: string; readonly leaderId: string },
): boolean => tie.follower === followerId && tie.leader === leaderId;

function withLoad(rig: Rig, loadId: string, edit: (load: Load) => Load): Rig {
  return { ...rig, loads: rig.loads.map((load) => (load.id === loadId ? edit(load) : load)) };
}

function withPart(
  rig: Rig,
  { loadId, partId }: { readonly loadId: string; readonly partId: string },
  edit: (part: Part) => Part,
): Rig {
  return withLoad(rig, loadId, (load) => ({
    ...load,
    parts: load.parts.map((part) => (part.id === partId ? edit(part) : part)),
  }));
}
