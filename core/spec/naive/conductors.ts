import { startsByItself } from './naive-check.js';
import type { Load, Rig, Supply } from '../../src/rig-file/schema.js';
import { breakerFactor } from './places.js';
import {
  beside,
  plain,
  power,
  running,
  times,
  type Power,
  type Running,
  type Side,
} from './doubtful-numbers.js';

/** What runs on which conductor of a system, for the naive check: legs, chargers, and what a limit lets through. */
export interface On {
  readonly load: Load;
  readonly state?: string | undefined;
  readonly heldOff?: 'yes' | 'no' | undefined;
  /** Between two legs of a 208 V service: at 208 V, and turned by 30 degrees. */
  readonly isTurned?: boolean;
}

/** What is on, with how it stands on this supply. */
export function standing(rig: Rig, supply: Supply, on: readonly On[]): readonly On[] {
  const isWye = phaseOf(rig, supply) === 'wye-208';
  return on.map((each) => ({ ...each, isTurned: isWye && circuitOf(rig, each).pole === 'both' }));
}

/** Volts between two legs of it over those of a 240 V service. */
export const WYE = 208 / 240;

export const AC = 120;
export const DC = 12;

/** A row by which the supply itself is known, whatever is on. */
export type Row = readonly [demand: number, capacity: number, ofSupply?: string];
export type Rows = Generator<Row, void, undefined>;

/** Rule 44, and what starts on top of everything: by itself, or again and again. */
export const isByItself = ({ load }: On) => startsByItself(load);
export const isAtAnyMoment = (each: On) => isByItself(each) || each.load.usage === 'during-work';

export const circuitOf = (rig: Rig, { load }: On) => rig.circuits.find((each) => each.id === load.circuit)!;
export const busOf = (rig: Rig, each: On) => circuitOf(rig, each).bus;
export const onBattery = (supply: Supply) => supply.sources.length === 0;
export const sourceOf = (rig: Rig, supply: Supply) =>
  rig.sources.find(({ id }) => supply.sources.includes(id))!;

/** A level that lowers the power draws its share of it; one that pulses, or may, draws it whole. */
export function drawOf(each: On, partOnLeg = 1): Running {
  const state = each.load.states?.find(({ id }) => id === each.state);
  const share = state?.works === 'lower' ? state.parts[0]!.share : 1;
  const isResistive = each.load.parts[0]!.kind === 'resistance-heater';
  const current = !each.isTurned ? 1 : isResistive ? WYE : 1 / WYE;
  return { ...running(each.load, share * partOnLeg * current), isTurned: each.isTurned };
}

/** A conductor: what of a load's VA flows there, what of a rating it has, and whether a charger without a pole is on it. */
export interface Leg {
  readonly part: (each: On) => number;
  readonly rating: number;
  readonly hasCharger: boolean;
}

/** How the two legs stand to each other; a supply may join both to one pole, or be two phases of three. */
export function phaseOf(rig: Rig, supply: Supply): 'single' | NonNullable<Supply['legs']> {
  const { poles = 'single' } = rig.buses.find(({ id }) => id === 'out')!;
  if (poles === 'single') return 'single';
  const own = poles === 'split-180' ? 'opposed' : 'in-phase';
  return onBattery(supply) ? own : (supply.legs ?? own);
}

/** One conductor, or two legs of half the rating each; a load between them has half of its VA on either. */
export function legsOf(rig: Rig, supply: Supply): Leg[] {
  if (['single', 'in-phase'].includes(phaseOf(rig, supply)))
    return [{ part: () => 1, rating: 1, hasCharger: true }];
  return (['l1', 'l2'] as const).map((leg) => ({
    part: (each) => {
      const { pole = 'l1' } = circuitOf(rig, each);
      return pole === 'both' ? 0.5 : pole === leg ? 1 : 0;
    },
    rating: 0.5,
    hasCharger: leg === 'l1',
  }));
}

/** Amps of a circuit between the legs are those of half of its VA at the volts of a leg. */
export const partOfCircuit = (rig: Rig, each: On): number => (circuitOf(rig, each).pole === 'both' ? 0.5 : 1);

export const onLeg = (rig: Rig, set: readonly On[], leg: Leg, bus = 'out'): Running[] =>
  set
    .filter((each) => busOf(rig, each) === bus && leg.part(each) > 0)
    .map((each) => drawOf(each, leg.part(each)));

export const drawsOn = (rig: Rig, set: readonly On[], bus: string) =>
  set.filter((each) => busOf(rig, each) === bus).map((each) => drawOf(each));

/** On direct current watts are all there is. */
export const ofDc = ({ w }: Running): Running => ({
  w,
  n: { value: 0, minus: 0, plus: 0, tags: w.tags },
  lags: true,
  isTurned: false,
});

/** A stand-alone charger: amps x 13.5 V (14.4 at worst, none at best) over efficiency, power factor 0.70. */
export function chargers(rig: Rig, supply: Supply, leg: Leg): Running[] {
  if (supply.charging === 'off' || onBattery(supply) || !leg.hasCharger) return [];
  return rig.converters
    .filter(({ kind }) => kind === 'charger')
    .map(({ id, chargeA }) => {
      const amps = chargeAmps(rig, chargeA);
      const dc = amps.stated * 13.5;
      const out = { value: dc, minus: dc, plus: amps.against * 14.4 - dc, tags: [`load:${id}`] };
      const { tags, ...w } = times(out, 1 / 0.92, 1 / 0.85, 1 / 0.8, '');
      const across = (watts: number, pf: number) => watts * Math.sqrt(1 / pf ** 2 - 1);
      const value = across(w.value, 0.7);
      const own = tags.filter(Boolean);
      return {
        w: { ...w, tags: own },
        n: {
          value,
          plus: across(w.value + w.plus, 0.6) - value,
          minus: value - across(w.value - w.minus, 0.8),
          tags: [...own, 'pf:supply-without-correction'],
        },
        lags: false,
        isTurned: false,
      };
    });
}

/** Rule 38: amps that are not entered are 0.2 of the bank's amp-hours, at worst 0.5 (lead 0.25). */
function chargeAmps(rig: Rig, entered: number | undefined) {
  if (entered !== undefined) return { stated: entered, against: entered };
  const bank = rig.batteries.reduce((sum, { ampHours }) => sum + ampHours.value, 0);
  return { stated: 0.2 * bank, against: 0.5 * bank };
}

/** What flows, and how much of its volt-amps charging adds. */
interface Share {
  w: number;
  va: number;
  added: number;
}

/**
 * What an inverter/charger lets through of what is behind it, and what it charges with. Its limit is one of current: at
 * best its watts are as few as the power factor of the loads allows.
 */
export function share(rig: Rig, supply: Supply, leg: Leg, behind: Running[], side: Side): Share {
  const limit = (supply.inputLimitA ?? Infinity) * AC;
  const inverter = rig.converters[0]!;
  const { w, va } = power(behind, side);
  const amps = chargeAmps(rig, inverter.chargeA);
  const charges = {
    against: (amps.against * 14.4) / 0.8 / 0.95,
    stated: (amps.stated * 13.5) / 0.85 / 0.95,
    for: 0,
  };
  const charge = supply.charging === 'off' ? 0 : charges[side] * leg.rating;
  const capped = (value: number) => {
    const own = supply.assist === 'on' ? Math.min(value, limit) : value;
    return Math.max(own, Math.min(limit, own + charge));
  };
  const most = Math.hypot(w, power(behind, 'against').n);
  const isLimited = side === 'for' && supply.assist === 'on' && most > limit;
  const fewest = (limit * w) / most;
  if (side === 'stated') {
    const [all, own] = [capped(va), Math.min(capped(va), va)];
    const watts = (va > 0 ? (w * own) / va : 0) + 0.95 * (all - own);
    return { w: watts, va: all, added: Math.max(0, all - va) };
  }
  const own = isLimited ? fewest : capped(w);
  // What is as entered is never less than what is at best.
  const least = side === 'for' ? Math.min(own, share(rig, supply, leg, behind, 'stated').w) : own;
  return { w: least, va: capped(va), added: Math.max(0, capped(va) - va) };
}

/** What the source gives: loads ahead and chargers, and what goes through the inverter/charger. */
export function fromSource(rig: Rig, supply: Supply, leg: Leg, set: readonly On[], side: Side): Power {
  const ahead = power([...onLeg(rig, set, leg, 'inlet'), ...chargers(rig, supply, leg)], side);
  const through = (edge: Side) => share(rig, supply, leg, onLeg(rig, set, leg), edge);
  return beside(ahead, plain(through(side), through('stated')));
}

/** One behind the other; what others draw hangs on the first that is known. */
export function breakersOf(rig: Rig, supply: Supply) {
  const own = sourceOf(rig, supply).breaker;
  const heat = (side: Side) => breakerFactor(rig.conditions?.outdoorC, side);
  const others = supply.otherLoadsA?.value ?? 0;
  return [
    ...(supply.breaker ? [{ amps: supply.breaker.amps, others, heat }] : []),
    ...(own ? [{ amps: own.amps, others: supply.breaker ? 0 : others, heat }] : []),
  ];
}

/** What an inverter gives; one that is on draws its idle watts, whatever it gives. */
export interface Inverter extends Power {
  readonly isOn: boolean;
}

/** What the inverter gives: all of it, what a limit leaves, or nothing. */
export function steadyInverter(rig: Rig, supply: Supply, set: readonly On[], side: Side, leg: Leg): Inverter {
  const draws = onLeg(rig, set, leg);
  const sum = power(draws, side);
  if (onBattery(supply)) return { ...sum, isOn: sum.va > 0 };
  const { w, n, va, stated } = sum;
  const limit = (supply.inputLimitA ?? Infinity) * AC;
  const isOn = supply.assist === 'on' && power(draws, 'against').va > limit;
  const left = (watts: number, magnitude: number) => ({
    w: magnitude > limit ? watts - (watts / magnitude) * limit : 0,
    va: Math.max(0, magnitude - limit),
  });
  if (!isOn || (side !== 'for' && va <= limit)) return { ...plain(NOTHING, left(stated.w, stated.va)), isOn };
  const edge =
    side === 'stated'
      ? left(w, va)
      : side === 'against'
        ? { w: left(w, va).w, va: Math.hypot(Math.max(0, w - limit), n) }
        : { w: Math.max(0, w - limit), va: Math.max(0, va - limit) };
  return { ...plain(edge, left(stated.w, stated.va)), isOn };
}

const NOTHING = { w: 0, va: 0 };
