import type { Rig, Supply } from '../../src/rig-file/schema.js';
import {
  FACTS,
  joins,
  plain,
  power,
  type Num,
  type Power,
  type Quantity,
  type Side,
} from './doubtful-numbers.js';
import { STEADY } from './naive-check.js';
import {
  breakerFactor,
  celsiusAt,
  generatorFactor,
  inverterFactor,
  neutralAmps,
  ohmsOfBatteries,
} from './places.js';
import {
  AC,
  breakersOf,
  busOf,
  chargers,
  DC,
  drawOf,
  drawsOn,
  fromSource,
  legsOf,
  ofDc,
  onBattery,
  partOfCircuit,
  phaseOf,
  share,
  sourceOf,
  steadyInverter,
  type Inverter,
  type Leg,
  type On,
  type Row,
  type Rows,
} from './conductors.js';

/** What must be carried for as long as a set runs, for the naive check. */
const HOURS = 180;

export function* steadyRows(rig: Rig, supply: Supply, set: On[], side: Side): Rows {
  const lasting = set.filter(({ load }) => (load.runsMinutes ?? 0) >= HOURS);
  for (const circuit of rig.circuits) yield* circuitRows(rig, circuit.id, set, lasting, side);
  for (const each of set) yield* cordRows(rig, each, side);
  const legs = legsOf(rig, supply);
  for (const leg of legs) yield* sourceRows(rig, supply, leg, set, lasting, side);
  for (const leg of legs) yield* inverterRows(rig, supply, set, side, leg);
  yield* neutralRows(rig, supply, set, side);
  const given = legs.map((leg) => steadyInverter(rig, supply, set, side, leg));
  yield* batteryRows(rig, given, dcWatts(rig, set, side), side);
}

export function ampsOn(rig: Rig, circuitId: string, set: readonly On[], side: Side): number {
  const circuit = rig.circuits.find(({ id }) => id === circuitId)!;
  const draws = set
    .filter(({ load }) => load.circuit === circuitId)
    .map((each) => drawOf(each, partOfCircuit(rig, each)));
  return circuit.bus === 'dc' ? power(draws.map(ofDc), side).va / DC : power(draws, side).va / AC;
}

/** What a breaker carries for ever, of its rating: as entered between what it may and what it is bound to trip at. */
function steady(side: Side, heat: (edge: Side) => number): number {
  if (side === 'stated') return STEADY.stated * Math.sqrt(heat('against') * heat('for'));
  return STEADY[side] * heat(side);
}

/**
 * What still runs when others have ended. At best that may come to more: a load that ends may be what makes the doubts
 * of two others one, or what stands against them on 208 V.
 */
function remaining(set: readonly On[], side: Side): readonly (readonly On[])[] {
  if (side === 'against') return [set];
  const ends = [...new Set(set.map(({ load }) => load.runsMinutes ?? Infinity))];
  return [set, ...ends.map((end) => set.filter(({ load }) => (load.runsMinutes ?? Infinity) >= end))];
}

function* circuitRows(rig: Rig, circuitId: string, set: On[], lasting: On[], side: Side): Rows {
  const { protection, receptacleA = Infinity, bus } = rig.circuits.find(({ id }) => id === circuitId)!;
  const amps = ampsOn(rig, circuitId, set, side);
  const hours = bus === 'dc' ? 0 : ampsOn(rig, circuitId, lasting, side);
  const heat = (edge: Side) => breakerFactor(celsiusAt(rig, 'panelC', edge), edge);
  const most = Math.max(...remaining(set, side).map((each) => ampsOn(rig, circuitId, each, side)));
  yield [most, protection.amps * steady(side, heat)];
  yield [amps, receptacleA];
  if (side === 'against') yield* [protection.amps, receptacleA].map((amps): Row => [hours, 0.8 * amps]);
}

function* cordRows(rig: Rig, each: On, side: Side): Rows {
  const plug = each.load.cord?.plugA ?? Infinity;
  const isDc = busOf(rig, each) === 'dc';
  const amps = isDc
    ? power([ofDc(drawOf(each))], side).va / DC
    : power([drawOf(each, partOfCircuit(rig, each))], side).va / AC;
  yield [amps, plug];
  const isLong = !isDc && (each.load.runsMinutes ?? 0) >= HOURS;
  if (isLong && side === 'against') yield [amps, 0.8 * plug];
}

/** Charging is a load whatever else is on. */
const isOnSource = (rig: Rig, supply: Supply, leg: Leg, set: readonly On[]) =>
  !onBattery(supply) &&
  (supply.charging !== 'off' || set.some((each) => busOf(rig, each) !== 'dc' && leg.part(each) > 0));

/** No more than Tight, whatever is asked of it. */
const unknownRating = (va: number, side: Side, ofSupply: string): Row => [
  va,
  side === 'against' ? 0 : Infinity,
  ofSupply,
];

function* sourceRows(rig: Rig, supply: Supply, leg: Leg, set: On[], lasting: On[], side: Side): Rows {
  if (!isOnSource(rig, supply, leg, set)) return;
  const asked = fromSource(rig, supply, leg, set, side);
  const source = sourceOf(rig, supply);
  const of = `leg ${legsOf(rig, supply).findIndex(({ part }) => part === leg.part)} ${leg.hasCharger}`;
  yield* unknownCharging(rig, supply, leg, side, of);
  if (source.kind === 'generator') {
    const { continuousW, continuousVA } = source;
    const factor = leg.rating * generatorFactor(rig);
    if (!continuousW || !continuousVA) yield unknownRating(asked.va, side, `${of} unknown`);
    else
      yield* [
        [asked.w, perhaps(continuousW, factor, asked, 'w', side), `${of} W`],
        [asked.va, perhaps(continuousVA, factor, asked, 'va', side), `${of} VA`],
      ] satisfies Row[];
    return;
  }
  if (!supply.breaker) yield unknownRating(asked.va, side, `${of} unknown`);
  const most = Math.max(...remaining(set, side).map((each) => fromSource(rig, supply, leg, each, side).va));
  const hours = isOnSource(rig, supply, leg, lasting)
    ? fromSource(rig, supply, leg, lasting, side).va / AC
    : 0;
  for (const [index, { amps, others, heat }] of breakersOf(rig, supply).entries()) {
    yield [most / AC + others, amps * steady(side, heat), `${of} breaker ${index}`];
    if (side === 'against' && hours > 0) yield [hours + others, 0.8 * amps, `${of} hours ${index}`];
  }
}

/** What a rating that may be a guess carries, held against a sum. */
export function perhaps(
  { value, basis }: Quantity,
  factor: number,
  asked: Power,
  unit: 'w' | 'va',
  side: Side,
  stated = asked.stated,
): number {
  const halfWidth = basis === 'guess' && side !== 'stated' ? 0.4 * value * factor : 0;
  const joined = joins(asked, unit, halfWidth, stated);
  return value * factor + (side === 'against' ? -joined : joined);
}

/** Rule 38: what charges with amps that are not entered. */
function* unknownCharging(rig: Rig, supply: Supply, leg: Leg, side: Side, of: string): Rows {
  if (supply.charging === 'off') return;
  const [inverter, charger] = rig.converters;
  if (inverter!.chargeA === undefined)
    yield unknownRating(share(rig, supply, leg, [], side).va, side, `${of} charge`);
  if (charger && charger.chargeA === undefined && leg.hasCharger)
    yield unknownRating(power(chargers(rig, supply, leg), side).va, side, `${of} charger`);
}

/** A neutral that two circuits share carries more than either breaker sees where their legs do not oppose. */
function* neutralRows(rig: Rig, supply: Supply, set: readonly On[], side: Side): Rows {
  const phase = phaseOf(rig, supply);
  if (phase === 'opposed') return;
  for (const circuit of rig.circuits) {
    const other = rig.circuits.find(({ id }) => id === circuit.sharesNeutralWith);
    if (!other) continue;
    const draws = [circuit, other].map(({ id }) =>
      set.filter(({ load }) => load.circuit === id).map((each) => drawOf(each)),
    );
    if (draws.every((each) => each.length === 0)) continue;
    const [one, two] = draws.map((each) => ({
      against: power(each, 'against'),
      stated: power(each, 'stated'),
      for: power(each, 'for'),
      volts: AC,
    }));
    const amps = Math.min(circuit.protection.amps, other.protection.amps);
    yield [neutralAmps([one!, two!], phase === 'wye-208', side), amps];
  }
}

/** What an inverter carries where it stands, held against a sum: its doubt joins those of the sum. */
export function carries(
  rig: Rig,
  demand: Power,
  unit: 'w' | 'va',
  rated: number,
  { side, times = 1, stated }: { side: Side; times?: number; stated?: Power['stated'] },
): number {
  const [asStated, edge] = [inverterFactor(rig, 'stated'), inverterFactor(rig, side)];
  const halfWidth = rated * Math.abs(edge - asStated) * times;
  const joined = joins(demand, unit, halfWidth, stated);
  return rated * asStated * times + (side === 'against' ? -joined : joined);
}

function* inverterRows(rig: Rig, supply: Supply, set: readonly On[], side: Side, leg: Leg): Rows {
  const { continuousW, continuousVA, tiers } = rig.converters[0]!;
  const sum = steadyInverter(rig, supply, set, side, leg);
  const behind = set.filter((each) => busOf(rig, each) === 'out' && leg.part(each) > 0);
  if (!sum.isOn) return;
  const crest = (each: On) => FACTS[each.load.parts[0]!.kind]!.crest;
  const peakAt = (edge: Side) =>
    behind.reduce((peak, each) => {
      const draw = drawOf(each, leg.part(each));
      const at = (x: Num) => x.value + { against: x.plus, stated: 0, for: -x.minus }[edge];
      const factor = edge === 'for' ? Math.SQRT2 : (crest(each) ?? Math.SQRT2);
      return peak + (factor / Math.SQRT2) * Math.hypot(at(draw.w), at(draw.n));
    }, 0);
  const help = side !== 'against' && !onBattery(supply) ? supply.inputLimitA! * AC : 0;
  const rated = (amount: number) => leg.rating * amount;
  const top = rated(Math.max(continuousVA.value, ...tiers.map(({ limit }) => limit.value)));
  const [peak, stated] = [peakAt(side), peakAt('stated')].map((va) => ({ w: 0, va }));
  yield [sum.w, carries(rig, sum, 'w', rated(continuousW.value), { side })];
  yield [sum.va, carries(rig, sum, 'va', rated(continuousVA.value), { side })];
  if (behind.some(crest)) yield [peak!.va, carries(rig, plain(peak!, stated!), 'va', top, { side }) + help];
}

const dcWatts = (rig: Rig, set: readonly On[], side: Side) =>
  power(drawsOn(rig, set, 'dc').map(ofDc), side).w;

/** A sagging bank of unequal batteries: cut-off of the inverter, and the least of rating over share. */
export function* batteryRows(
  rig: Rig,
  legs: readonly Pick<Inverter, 'w' | 'va' | 'isOn'>[],
  dc: number,
  side: Side,
  longest = Infinity,
  seconds = Infinity,
): Rows {
  const { idleW, efficiencyPeak, efficiencyFull, continuousW, cutOffV } = rig.converters[0]!;
  const [idle, peak, full, rated] = [idleW!, efficiencyPeak!, efficiencyFull!, continuousW].map(
    (q) => q.value,
  );
  const b = ((Math.sqrt(idle! / rated!) + Math.sqrt(1 / full! - 1 / peak!)) / Math.sqrt(rated!)) ** 2;
  const a = 1 / peak! - 2 * Math.sqrt(idle! * b);
  const isOn = legs.some((leg) => leg.isOn);
  // each leg has its share of the resistance, so the whole of it where there is one
  const drawn = legs.map(({ w, va }) => w + (a - 1) * va + b * legs.length * va * va);
  const watts = dc + (isOn ? idle! + drawn.reduce((sum, each) => sum + each, 0) : 0);
  if (watts === 0) return;
  const volts = rig.batteries[0]!.restV!.value;
  const conductances = (edge: Side, asked: number) =>
    ohmsOfBatteries(rig, edge, asked).map((each) => 1 / each);
  const whole = (list: readonly number[]) => list.reduce((sum, each) => sum + each, 0);
  const ohms = 1 / whole(conductances(side, longest));
  if (isOn) yield [watts, (cutOffV! * (volts - cutOffV!)) / ohms];
  const root = volts * volts - 4 * ohms * watts;
  const amps = root < 0 ? (2 * watts) / volts : (2 * watts) / (volts + Math.sqrt(root));
  const shares = conductances('stated', Infinity).map((each, _, all) => each / whole(all));
  // which of two batteries takes more is not known where one is not measured
  const isSure = rig.batteries.length === 1 || rig.batteries.every((battery) => battery.ohms !== undefined);
  for (const [index, battery] of rig.batteries.entries())
    yield [
      amps * shares[index]! * (isSure || side !== 'against' ? 1 : 1.1),
      battery.dischargeA ?? usualDischarge(battery, side, seconds),
    ];
}

/** Rule 43: amps that are not entered are 1 C of lithium and 0.5 C of lead, half of it at worst, more for a while. */
function usualDischarge(
  { chemistry, ampHours }: Rig['batteries'][number],
  side: Side,
  seconds: number,
): number {
  const rate = { against: chemistry === 'lfp' ? 0.5 : 0.25, stated: 1, for: 1 }[side];
  const surge = seconds <= 1 ? 2.8 : seconds <= 10 ? 1.5 : seconds <= 60 ? 1.1 : 1;
  return rate * surge * ampHours.value;
}
