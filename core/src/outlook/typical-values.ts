import type { Quantity } from '../units/quantity.js';
import { COOLING_PER_WATT } from '../reference/conversion-defaults.js';
import {
  TYPICAL_EFFICIENCY_FULL,
  TYPICAL_EFFICIENCY_PEAK,
  TYPICAL_IDLE_SHARE,
} from '../reference/inverter-losses.js';
import { kindOfPart } from '../reference/kinds-of-parts.js';
import { LOCK_OUT_S, RAMP_S, REMAINING } from '../reference/soft-starters.js';
import { stepsOf } from '../rig-file/field-names.js';
import { withoutIndexes } from '../rig-file/field-table.js';
import { startPowerFactorRange } from '../rig-file/half-widths.js';
import { typical } from '../rig/typical-quantity.js';
import type { Battery, Converter, Load, Part, Rig } from '../rig-file/schema.js';
import { typicalOhms } from '../battery/battery-bank.js';
import { startSizeOf } from '../loads/start/start-size.js';
import { systemOfLoad } from '../loads/voltage-of-load.js';

/**
 * What is usual at a place of the rig, from the reference by kind: to be filled in where nothing better is
 * known, and marked as typical.
 *
 * @param place Such as `loads[3].parts[0].powerFactor`.
 * @returns A quantity where the field has a basis, a plain number where it has none, undefined where
 *   nothing is usual. Source: the tables in reference/, each with its own.
 */
export function typicalAt(rig: Rig, place: string): Quantity | number | undefined {
  const [list, index] = stepsOf(place);
  const field = withoutIndexes(place);
  if (typeof index !== 'number') return undefined;
  switch (list) {
    case 'loads':
      return ofLoad(rig, place, field, rig.loads[index]);
    case 'converters':
      return ofConverter(field, rig.converters[index]);
    case 'batteries':
      return ofBattery(rig, field, rig.batteries[index]);
    default:
      return undefined;
  }
}

function ofLoad(
  rig: Rig,
  place: string,
  field: string,
  load: Load | undefined,
): Quantity | number | undefined {
  const partIndex = stepsOf(place)[3];
  const part = typeof partIndex === 'number' ? load?.parts[partIndex] : undefined;
  if (load && part) return ofPart(rig, field, load, part);
  const hasCompressor = load?.parts.some(({ kind }) => kindOfPart(kind).family === 'Compressors');
  return field === 'loads[].restartWaitS' && hasCompressor ? LOCK_OUT_S.usual : undefined;
}

function ofPart(rig: Rig, field: string, load: Load, part: Part): Quantity | number | undefined {
  const kind = kindOfPart(part.kind);
  switch (field) {
    case 'loads[].parts[].powerFactor':
      return typical(kind.powerFactor);
    case 'loads[].parts[].start.seconds':
      return kind.startSeconds && typical(kind.startSeconds);
    case 'loads[].parts[].start.powerFactor':
      return typical(startPowerFactorRange(part.kind));
    case 'loads[].parts[].start.va':
      return kind.startMultiple && startSizeOf({ ...part, start: {} }, systemOfLoad(rig, load))?.va;
    case 'loads[].parts[].start.soft.remaining':
      return typical(REMAINING);
    case 'loads[].parts[].start.soft.rampS':
      return typical(RAMP_S);
    case 'loads[].parts[].runningFrom.coolingPerWatt':
      return COOLING_PER_WATT.usual;
    default:
      return undefined;
  }
}

function ofConverter(field: string, converter: Converter | undefined): Quantity | undefined {
  const usual: Readonly<Record<string, number | undefined>> = {
    'converters[].idleW': converter ? converter.continuousW.value * TYPICAL_IDLE_SHARE : undefined,
    'converters[].efficiencyPeak': TYPICAL_EFFICIENCY_PEAK,
    'converters[].efficiencyFull': TYPICAL_EFFICIENCY_FULL,
  };
  const value = usual[field];
  return value === undefined ? undefined : { value, basis: 'typical' };
}

function ofBattery(rig: Rig, field: string, battery: Battery | undefined): number | undefined {
  const volts = rig.buses.find(({ id }) => id === battery?.bus)?.volts;
  if (field !== 'batteries[].ohms' || !battery?.chemistry || volts === undefined) return undefined;
  return typicalOhms(battery.chemistry, volts, battery.ampHours.value).stated;
}
