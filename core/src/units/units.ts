import { BTU_PER_HOUR_PER_WATT, PERCENT } from './conversion-factors.js';

/** Which units a person reads: SI inside, converted here at the edge. */
export type UnitSystem = 'metric' | 'us';

/** A unit as it is shown, and the way there and back. */
export interface ShownUnit {
  readonly unit: string;
  readonly show: (value: number) => number;
  readonly read: (shown: number) => number;
}

const METRES_PER_FOOT = 0.3048;
const MILLI = 1000;

const scaled = (unit: string, factor: number): ShownUnit => ({
  unit,
  show: (value) => value * factor,
  read: (shown) => shown / factor,
});

const FAHRENHEIT: ShownUnit = {
  unit: '°F',
  show: (celsius) => (celsius * 9) / 5 + 32,
  read: (fahrenheit) => ((fahrenheit - 32) * 5) / 9,
};

/** What every reader sees the same way. */
const EVERYWHERE: Readonly<Record<string, ShownUnit>> = {
  'of 1': scaled('%', PERCENT),
  'W per W': scaled('%', PERCENT),
  ohm: scaled('mΩ', MILLI),
  'W per VA': scaled('', 1),
  minutes: scaled('min', 1),
  degrees: scaled('°', 1),
  cables: scaled('', 1),
  units: scaled('', 1),
  starts: scaled('', 1),
};

const US: Readonly<Record<string, ShownUnit>> = {
  m: scaled('ft', 1 / METRES_PER_FOOT),
  '°C': FAHRENHEIT,
  'W of heat': scaled('BTU/h', BTU_PER_HOUR_PER_WATT),
  'heat per W': scaled('EER', BTU_PER_HOUR_PER_WATT),
};

const METRIC: Readonly<Record<string, ShownUnit>> = {
  'W of heat': scaled('W of heat', 1),
  'heat per W': scaled('W/W', 1),
};

/**
 * How a unit of the rig file is shown.
 *
 * @param unit As the field table names it.
 *
 * @example
 * shownUnit('m', 'us').show(3.048); // 10, in ft
 */
export function shownUnit(unit: string, system: UnitSystem): ShownUnit {
  return (system === 'us' ? US : METRIC)[unit] ?? EVERYWHERE[unit] ?? scaled(unit, 1);
}
