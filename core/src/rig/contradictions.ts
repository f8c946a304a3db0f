import { COOLING_PER_WATT, EER_PER_COP, MICROWAVE_EFFICIENCY } from '../reference/conversion-defaults.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import { fieldName } from '../rig-file/field-names.js';
import type { Cable, Circuit, Converter, Load, Part, Rig } from '../rig-file/schema.js';
import { cannotBeSwitched } from './usage.js';

/** Two statements of a rig that cannot both be right, or hardly. */
export interface Contradiction {
  /** What it is about; a user who knows better notes it in `known`. */
  readonly id: string;
  readonly path: string;
  readonly field: string;
  /** What contradicts what, and what to look at. */
  readonly message: string;
}

/** What needs the electrical tables, handed in so that the rig stays below them. */
export interface WireTables {
  readonly largestBreakerOn: (cable: Cable) => number | undefined;
  readonly ampacity: (cable: Cable) => number | undefined;
  readonly mostHorsepowerOfPlug: (volts: number, amps: number) => number;
}

type Found = Omit<Contradiction, 'field'>;

const HIGH_RATIO = 3;
const LOW_COOLING_SHARE = 0.5;
const MOST_COOKING_W = 1200;
/** A measured start below this share of the least multiple of its kind was missed. */
const MISSED_SHARE = 0.7;
/** Volts of a bank at rest or at its cut-off lie within this share of its nominal volts. */
const FAR_FROM_NOMINAL = 0.35;

/**
 * Contradictions in the data of a rig: each is a warning that the user may know better than.
 *
 * @returns Those that the user has not marked as known. Source: methods.md 14; common practice.
 */
export function contradictionsOf(rig: Rig, tables: WireTables): readonly Contradiction[] {
  const found: readonly Found[] = [
    ...rig.converters.flatMap((converter, i) => ofConverter(rig, converter, `converters[${i}]`)),
    ...rig.circuits.flatMap((circuit, i) => ofCircuit(circuit, `circuits[${i}]`, tables)),
    ...rig.batteries.flatMap((battery, i) => ofBattery(battery, `batteries[${i}]`, tables)),
    ...rig.batteries.flatMap((battery, i) => ofBankVolts(rig, battery, `batteries[${i}]`)),
    ...rig.loads.flatMap((load, i) => ofLoad(rig, load, `loads[${i}]`, tables)),
    ...rig.loads.flatMap((load, i) => ofUsage(load, `loads[${i}]`)),
    ...rig.supplies.flatMap((supply, i) => ofSupply(supply, `supplies[${i}]`)),
  ];
  return found
    .filter(({ id }) => !rig.known?.includes(id))
    .map((each) => ({ ...each, field: fieldName(each.path, rig) }));
}

/** The fuses of the batteries on a bus together, A; without end where one has none, or where there is no battery. */
function fuseOn({ batteries }: Rig, bus: string): number {
  const feeding = batteries.filter((battery) => battery.bus === bus);
  if (feeding.length === 0) return Infinity;
  return feeding.reduce((sum, each) => sum + (each.fuse?.amps ?? Infinity), 0);
}

function ofConverter(rig: Rig, converter: Converter, path: string): readonly Found[] {
  const { id, continuousW, continuousVA, tiers, idleW, efficiencyPeak, efficiencyFull } = converter;
  const fuse = fuseOn(rig, converter.from);
  const volts = rig.buses.find((bus) => bus.id === converter.from)?.volts ?? 0;
  return [
    ...tiers.flatMap((tier, i) =>
      tier.limit.value < continuousVA.value
        ? [
            {
              id: `${id}:tier-${i}`,
              path: `${path}.tiers[${i}].limit`,
              message: `a surge of ${tier.limit.value} VA is below the continuous ${continuousVA.value} VA; one of the two is not what it says`,
            },
          ]
        : [],
    ),
    ...(continuousW.value > continuousVA.value
      ? [
          {
            id: `${id}:watts`,
            path: `${path}.continuousW`,
            message: `${continuousW.value} W are more than its ${continuousVA.value} VA; watts can never exceed VA`,
          },
        ]
      : []),
    ...(efficiencyPeak && efficiencyFull && efficiencyFull.value > efficiencyPeak.value
      ? [
          {
            id: `${id}:efficiency`,
            path: `${path}.efficiencyFull`,
            message: 'the efficiency at full power is above the best one; the best is the higher of the two',
          },
        ]
      : []),
    ...(efficiencyFull && idleW && idleW.value / continuousW.value > 1 / efficiencyFull.value - 1
      ? [
          {
            id: `${id}:idle`,
            path: `${path}.idleW`,
            message: `its idle draw alone loses more than the ${Math.round(efficiencyFull.value * 100)} % at full power allow`,
          },
        ]
      : []),
    ...(Number.isFinite(fuse) && continuousW.value > fuse * volts
      ? [
          {
            id: `${id}:fuse`,
            path: `${path}.continuousW`,
            message: `${continuousW.value} W at ${volts} V are more than its fuse of ${fuse} A carries; is this its peak, or its VA?`,
          },
        ]
      : []),
  ];
}

function ofCircuit(circuit: Circuit, path: string, tables: WireTables): readonly Found[] {
  const { id, protection, cable, receptacleA } = circuit;
  const most = cable && (tables.largestBreakerOn(cable) ?? tables.ampacity(cable));
  return [
    ...(most !== undefined && protection.amps > most
      ? [
          {
            id: `${id}:cable`,
            path: `${path}.protection.amps`,
            message: `a ${protection.amps} A breaker does not protect this cable, which carries ${Math.round(most)} A; a thicker cable or a smaller breaker is the remedy`,
          },
        ]
      : []),
    ...(receptacleA !== undefined && receptacleA * 2 < protection.amps
      ? [
          {
            id: `${id}:receptacle`,
            path: `${path}.receptacleA`,
            message: `a ${receptacleA} A receptacle on a ${protection.amps} A breaker is far smaller than what protects it`,
          },
        ]
      : []),
  ];
}

function ofBattery(battery: Rig['batteries'][number], path: string, tables: WireTables): readonly Found[] {
  const { id, fuse, cable, dischargeA, tiers = [] } = battery;
  const carries = cable && tables.ampacity(cable);
  return [
    ...(fuse && carries !== undefined && fuse.amps > carries * 1.5
      ? [
          {
            id: `${id}:cable`,
            path: `${path}.fuse.amps`,
            message: `a ${fuse.amps} A fuse does not protect a cable that carries ${Math.round(carries)} A`,
          },
        ]
      : []),
    ...tiers.flatMap((tier, i) =>
      dischargeA !== undefined && tier.amps < dischargeA
        ? [
            {
              id: `${id}:tier-${i}`,
              path: `${path}.tiers[${i}].amps`,
              message: `${tier.amps} A for ${tier.seconds} s are below the continuous ${dischargeA} A`,
            },
          ]
        : [],
    ),
  ];
}

/** Series and parallel mixed up show in the volts. */
function ofBankVolts(rig: Rig, { id, bus, restV }: Rig['batteries'][number], path: string): readonly Found[] {
  const nominal = rig.buses.find((each) => each.id === bus)?.volts;
  if (!restV || !nominal || Math.abs(restV.value / nominal - 1) < FAR_FROM_NOMINAL) return [];
  return [
    {
      id: `${id}:volts`,
      path: `${path}.restV`,
      message: `${restV.value} V at rest do not belong to a ${nominal} V bank; are batteries in series that are entered side by side, or the reverse?`,
    },
  ];
}

function ofLoad(rig: Rig, load: Load, path: string, tables: WireTables): readonly Found[] {
  const circuit = rig.circuits.find((each) => each.id === load.circuit);
  const bus = rig.buses.find((each) => each.id === circuit?.bus);
  if (!circuit || !bus) return [];
  const volts = bus.volts * (circuit.pole === 'both' ? 2 : 1);
  return load.parts.flatMap((part, i) =>
    ofPart(
      load,
      part,
      `${path}.parts[${i}]`,
      { volts, breakerA: circuit.protection.amps, isAc: bus.kind === 'ac' },
      tables,
    ),
  );
}

function ofUsage(load: Load, path: string): readonly Found[] {
  if (!cannotBeSwitched(load)) return [];
  return [
    {
      id: `${load.id}:usage`,
      path: `${path}.usage`,
      message:
        'its thermostat or pressure switch starts it at any moment: choose "starts by itself"; the sums count it so',
    },
  ];
}

interface OnCircuit {
  readonly volts: number;
  readonly breakerA: number;
  readonly isAc: boolean;
}

function ofPart(load: Load, part: Part, path: string, on: OnCircuit, tables: WireTables): readonly Found[] {
  const id = `${load.id}:${part.id}`;
  const plugA = load.cord?.plugA ?? on.breakerA;
  return [
    ...ofRunning(id, part, path, on),
    ...ofHeat(id, part, path, on),
    ...ofMicrowave(id, part, path),
    ...ofHorsepower(id, part, path, tables.mostHorsepowerOfPlug(on.volts, plugA)),
    ...ofMissedPeak(id, part, path),
    ...startMultiple(id, part, path),
  ];
}

function ofRunning(id: string, { runningFrom }: Part, path: string, on: OnCircuit): readonly Found[] {
  const { amps, coolingPerWatt } = runningFrom ?? {};
  const found: Found[] = [];
  if (on.isAc && amps && amps.value > on.breakerA)
    found.push({
      id: `${id}:dc-amps`,
      path: `${path}.runningFrom.amps`,
      message: `${amps.value} A are above its ${on.breakerA} A breaker; DC amps? At 12 V that is ${Math.round(amps.value * 12)} W`,
    });
  if (coolingPerWatt !== undefined && coolingPerWatt < LOW_COOLING_SHARE * COOLING_PER_WATT.usual)
    found.push({
      id: `${id}:cooling`,
      path: `${path}.runningFrom.coolingPerWatt`,
      message: 'so little cooling per watt is hardly possible; BTU/h are heat, not electric power',
    });
  return found;
}

/** BTU/h of a cooling unit entered as watts: more than its breaker could ever feed. */
function ofHeat(
  id: string,
  { kind, runningW }: Part,
  path: string,
  { volts, breakerA }: OnCircuit,
): readonly Found[] {
  const isCooling = kindOfPart(kind).family === 'Compressors';
  if (!isCooling || !runningW || runningW.value <= volts * breakerA) return [];
  const watts = Math.round(runningW.value / EER_PER_COP / COOLING_PER_WATT.usual);
  return [
    {
      id: `${id}:heat`,
      path: `${path}.runningW`,
      message: `${runningW.value} W are more than its ${breakerA} A breaker feeds; BTU/h are heat, not electric power: as BTU/h it draws about ${watts} W`,
    },
  ];
}

/** A start that is called measured and lies below every motor of its kind was missed by the meter. */
function ofMissedPeak(id: string, part: Part, path: string): readonly Found[] {
  const { startMultiple: usual } = kindOfPart(part.kind);
  const times = timesRunning(part);
  const isSoft = part.start?.soft !== undefined || part.start?.softStarter === 'yes';
  const isMeasured = part.start?.va?.basis === 'measured';
  if (!usual || times === undefined || !isMeasured || isSoft) return [];
  if (times >= usual.low * MISSED_SHARE || times < 1) return [];
  return [
    {
      id: `${id}:missed-peak`,
      path: `${path}.start.va`,
      message: `${times.toFixed(1)} times its running power is low for its kind (${usual.low} to ${usual.high}); the "max" of a plug-in meter is only "at least", a clamp with inrush sees more`,
    },
  ];
}

/** The start entered over the running VA. */
function timesRunning({ kind, runningW, powerFactor, start }: Part): number | undefined {
  if (!runningW?.value || !start?.va) return undefined;
  return (start.va.value * (powerFactor?.value ?? kindOfPart(kind).powerFactor.usual)) / runningW.value;
}

/** A round figure on the front of the oven is what it gives to the food. */
function ofMicrowave(id: string, { kind, runningW }: Part, path: string): readonly Found[] {
  const isOven = kind === 'microwave-transformer' || kind === 'microwave-inverter';
  if (!isOven || runningW?.basis !== 'nameplate' || runningW.value > MOST_COOKING_W) return [];
  const input = Math.round(runningW.value / MICROWAVE_EFFICIENCY.usual);
  return [
    {
      id: `${id}:cooking-power`,
      path: `${path}.runningW`,
      message: `is ${runningW.value} W its cooking power or its input? As cooking power it draws about ${input} W`,
    },
  ];
}

function ofHorsepower(
  id: string,
  { runningFrom, start }: Part,
  path: string,
  most: number,
): readonly Found[] {
  const horsepower = runningFrom?.horsepower ?? start?.from?.horsepower;
  if (horsepower === undefined || horsepower <= most) return [];
  return [
    {
      id: `${id}:horsepower`,
      path: `${path}.${runningFrom?.horsepower === undefined ? 'start' : 'runningFrom'}`,
      message: `${horsepower} hp are more than its plug feeds (${most.toFixed(1)} hp); a "peak" figure of a label is not the motor’s own`,
    },
  ];
}

/** A start far beyond its kind often comes from a multiple applied to watts in place of amps, or of a sum. */
function startMultiple(id: string, { kind, runningW, start }: Part, path: string): readonly Found[] {
  const { startMultiple: usual, powerFactor } = kindOfPart(kind);
  if (!usual || !runningW?.value || !start?.va || start.va.basis === 'measured') return [];
  const times = (start.va.value * powerFactor.usual) / runningW.value;
  return times > HIGH_RATIO * usual.high
    ? [
        {
          id: `${id}:multiple`,
          path: `${path}.start.va`,
          message: `${Math.round(times)} times its running power is far beyond its kind (${usual.low} to ${usual.high}); a multiple applies to amps`,
        },
      ]
    : [];
}

function ofSupply(
  { id, breaker, cords = [], inputLimitA }: Rig['supplies'][number],
  path: string,
): readonly Found[] {
  const plugA = Math.min(Infinity, ...cords.flatMap((cord) => cord.plugA ?? []));
  const least = Math.min(breaker?.amps ?? Infinity, plugA);
  return [
    ...(breaker && breaker.amps > plugA
      ? [
          {
            id: `${id}:chain`,
            path: `${path}.breaker.amps`,
            message: `a ${breaker.amps} A breaker behind a plug for ${plugA} A; on an adapter the smaller side counts: is this the smallest breaker in the chain?`,
          },
        ]
      : []),
    ...(inputLimitA !== undefined && Number.isFinite(least) && inputLimitA > least
      ? [
          {
            id: `${id}:limit`,
            path: `${path}.inputLimitA`,
            message: `an input limit of ${inputLimitA} A is above the smallest breaker or plug in the chain, ${least} A; the breaker trips before the inverter helps`,
          },
        ]
      : []),
  ];
}
