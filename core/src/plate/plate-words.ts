import { formatAmount, formatNumber } from '../units/format.js';
import type { NumberStyle } from '../units/number-style.js';
import type { PlateGap, PlateKept } from './load-of-plate.js';
import type { PlateDevice } from './read/plate-device.js';
import type { PlateFact, PlateSlot } from './read/plate-fact.js';
import type { PlateWarning } from './say-plate.js';
import { PERCENT } from '../units/conversion-factors.js';
import type { PlateQuantity } from '../reference/plate-terms.js';

interface QuantityWords {
  readonly name: string;
  readonly unit: string;
  readonly decimals?: number;
}

const QUANTITIES: Readonly<Record<PlateQuantity, QuantityWords>> = {
  volts: { name: 'Volts', unit: 'V', decimals: 1 },
  hertz: { name: 'Frequency', unit: 'Hz', decimals: 0 },
  phases: { name: 'Phases', unit: '', decimals: 0 },
  amps: { name: 'Amps', unit: 'A' },
  ratedLoadAmps: { name: 'Rated-load amps', unit: 'A' },
  lockedRotorAmps: { name: 'Locked-rotor amps', unit: 'A' },
  circuitAmps: { name: 'Least circuit', unit: 'A' },
  fuseAmps: { name: 'Largest breaker', unit: 'A' },
  watts: { name: 'Power', unit: 'W' },
  voltAmps: { name: 'Apparent power', unit: 'VA' },
  horsepower: { name: 'Horsepower', unit: 'hp', decimals: 2 },
  powerFactor: { name: 'Power factor', unit: '', decimals: 2 },
  codeLetter: { name: 'Code letter', unit: '' },
  cooling: { name: 'Cooling', unit: 'W of heat' },
  coolingRatio: { name: 'Cooling per watt', unit: 'W/W', decimals: 1 },
  efficiency: { name: 'Efficiency', unit: '%', decimals: 1 },
  rpm: { name: 'Speed', unit: 'rpm', decimals: 0 },
  ampHours: { name: 'Amp-hours', unit: 'Ah', decimals: 1 },
  wattHours: { name: 'Watt-hours', unit: 'Wh', decimals: 0 },
  ratedHours: { name: 'Hours of the rating', unit: 'h', decimals: 0 },
  seconds: { name: 'For', unit: 's', decimals: 2 },
};

const SLOTS: Readonly<Record<PlateSlot, string>> = {
  main: '',
  input: 'input',
  output: 'output',
  compressor: 'compressor',
  fan: 'fan',
  heater: 'heater',
  most: 'at most',
  charge: 'charging',
  discharge: 'discharging',
  idle: 'idle',
  direct: 'direct current',
};

/** A number of a plate: what it is of, and how much. */
export function plateFactWords(
  style: NumberStyle,
  fact: PlateFact,
): { readonly name: string; readonly value: string } {
  const { slot, quantity, value, range, letter } = fact;
  const side = SLOTS[slot];
  const isSaid =
    side === '' || quantity === 'ratedLoadAmps' || quantity === 'lockedRotorAmps' || quantity === 'seconds';
  const { name } = QUANTITIES[quantity];
  const [least, most] = range ?? [];
  return {
    name: isSaid ? name : `${name}, ${side}`,
    value:
      letter ??
      (least !== undefined && most !== undefined
        ? `${plateAmount(style, quantity, least)} to ${plateAmount(style, quantity, most)}`
        : plateAmount(style, quantity, value)),
  };
}

/** An amount of a plate with its unit. */
export function plateAmount(style: NumberStyle, quantity: PlateQuantity, value: number): string {
  const { unit, decimals } = QUANTITIES[quantity];
  const shown = quantity === 'efficiency' ? PERCENT * value : value;
  if (decimals === undefined) return formatAmount(style, shown, unit);
  return `${formatNumber(style, shown, decimals)} ${unit}`.trim();
}

/** What a plate is of, and what it may be put into. */
export const DEVICE_NAMES: Readonly<Record<PlateDevice, string>> = {
  load: 'A load',
  converter: 'An inverter',
  generator: 'A generator',
  battery: 'A battery',
};

const GAPS: Readonly<Record<PlateGap, string>> = {
  running: 'its power',
  'power-factor': 'its power factor',
  start: 'its start',
  fan: 'the power of its fan',
};

/** What the plate does not say; undefined where nothing is missing. */
export function plateGapWords(gaps: readonly PlateGap[]): string | undefined {
  const [first, ...others] = gaps.map((gap) => GAPS[gap]);
  if (first === undefined) return undefined;
  const last = others.pop();
  const named = last === undefined ? first : `${[first, ...others].join(', ')} and ${last}`;
  return `The plate does not say ${named}: usual for the kind, and marked as typical.`;
}

/** What stays as it was measured; undefined where nothing does. */
export function plateKeptWords(kept: readonly PlateKept[]): string | undefined {
  const named = kept.map((each) => (each === 'ratings' ? 'its ratings' : GAPS[each])).join(' and ');
  return named === '' ? undefined : `What was measured, or is of a data sheet, stays: ${named}.`;
}

/** What does not suit the rig. */
export function plateWarningWords(style: NumberStyle, warning: PlateWarning): string {
  const { fact } = warning;
  const said = plateFactWords(style, fact).value;
  switch (warning.kind) {
    case 'other-volts':
      return `The plate is for ${said}; there are ${plateAmount(style, 'volts', warning.here)} at this circuit. Do not connect it before that is clear.`;
    case 'other-battery':
      return `The inverter is for ${said}; the battery has ${plateAmount(style, 'volts', warning.here)}. Do not connect it before that is clear.`;
    case 'other-hertz':
      return `The plate is for ${said}, the rig has ${plateAmount(style, 'hertz', warning.here)}: a motor turns at another speed and gets hotter.`;
    case 'three-phases':
      return 'The plate is for three phases. Nothing here feeds them, and its amps are of three conductors.';
  }
}
