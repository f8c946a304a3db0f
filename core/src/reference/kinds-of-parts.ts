/**
 * What is usual for each kind of part: how it starts and its power factor.
 *
 * Source: common practice, no published standard behind it (methods.md 2 and 3). Confidence:
 * medium for the induction kinds, low for the rest. Every value is a default that a user replaces
 * by a measured one.
 */

/** Where a kind stands in the list of loads. */
export const LOAD_FAMILIES = ['Motors', 'Compressors', 'Heating', 'Cooking', 'Electronics'] as const;
export type LoadFamily = (typeof LOAD_FAMILIES)[number];

/** A usual value with the range it is found in; plain numbers in the unit the field says. */
export interface UsualRange {
  readonly low: number;
  readonly usual: number;
  readonly high: number;
}

export interface KindOfPart {
  readonly name: string;
  readonly family: LoadFamily;
  /** Power factor while running, 0 to 1. */
  readonly powerFactor: UsualRange;
  /** The current certainly lags the voltage, so it may be counted in the user's favour. */
  readonly surelyLags: boolean;
  /** Start rms over running rms; absent where there is no start worth a name. */
  readonly startMultiple?: UsualRange;
  /** Seconds the start lasts at full voltage and normal load. */
  readonly startSeconds?: UsualRange;
  /** It falls to its running power within those seconds: what begins high is over sooner. */
  readonly startFalls?: true;
  /** How its power goes with the voltage: with its square, not at all, or the current inversely (a motor). */
  readonly onVoltage: OnVoltage;
  /** Peak over rms of its current where that is not the sine's square root of two. */
  readonly crestFactor?: number;
  /** Its inrush is that of a transformer, which a magnetic release answers to by its offset peak. */
  readonly isTransformer?: true;
  /** A thermostat or a pressure switch always starts it: nobody does by hand. */
  readonly hasThermostat?: true;
  /** A thermostat or a pressure switch may start it: where it cycles, one does. */
  readonly mayHaveThermostat?: true;
  /** Load torque over locked-rotor torque as it starts at full voltage; absent for what has no rotor. */
  readonly startTorqueShare?: number;
}

export type OnVoltage = 'resistive' | 'constant-power';

const range = (low: number, usual: number, high: number): UsualRange => ({ low, usual, high });
const exactly = (value: number): UsualRange => range(value, value, value);

const FRACTIONAL_MOTOR_PF = range(0.5, 0.65, 0.75);
const HERMETIC_PF = range(0.85, 0.9, 0.97);

export const KINDS_OF_PARTS = {
  'split-phase-motor': {
    name: 'split-phase motor',
    family: 'Motors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(5, 6, 8),
    startSeconds: range(0.2, 0.5, 0.8),
  },
  'capacitor-start-motor': {
    name: 'capacitor-start motor',
    family: 'Motors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(4, 5.5, 7),
    startSeconds: range(0.2, 0.5, 1),
  },
  'high-inertia-motor': {
    name: 'motor with heavy wheels',
    family: 'Motors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.2,
    startMultiple: range(5, 6, 7),
    startSeconds: range(1.5, 3, 6),
  },
  'fan-motor': {
    name: 'fan or blower, permanent capacitor',
    family: 'Motors',
    powerFactor: range(0.85, 0.9, 0.97),
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.2,
    startMultiple: range(2, 3, 4),
    startSeconds: range(0.5, 1.5, 3),
  },
  'universal-motor': {
    name: 'universal motor',
    family: 'Motors',
    powerFactor: range(0.85, 0.9, 0.97),
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.2,
    startMultiple: range(3, 5, 8),
    startSeconds: range(0.2, 0.4, 0.6),
  },
  'air-compressor': {
    name: 'air compressor, capacitor start',
    family: 'Compressors',
    mayHaveThermostat: true,
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(4, 5.5, 7),
    startSeconds: range(0.2, 0.5, 1),
  },
  'hermetic-rotary': {
    name: 'hermetic compressor, rotary',
    family: 'Compressors',
    hasThermostat: true,
    powerFactor: HERMETIC_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(4, 5.5, 6),
    startSeconds: range(0.1, 0.3, 0.4),
  },
  'hermetic-reciprocating': {
    name: 'hermetic compressor, reciprocating',
    family: 'Compressors',
    hasThermostat: true,
    powerFactor: HERMETIC_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(5, 6, 7),
    startSeconds: range(0.2, 0.4, 0.5),
  },
  refrigerator: {
    name: 'domestic refrigerator, resistance start',
    family: 'Compressors',
    hasThermostat: true,
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(6, 8, 12),
    startSeconds: range(0.2, 0.5, 0.8),
  },
  'resistance-heater': {
    name: 'resistance heater',
    family: 'Heating',
    mayHaveThermostat: true,
    powerFactor: exactly(1),
    surelyLags: false,
    onVoltage: 'resistive',
  },
  'resistance-cooker': {
    name: 'kettle, oven or coil',
    family: 'Cooking',
    powerFactor: exactly(1),
    surelyLags: false,
    onVoltage: 'resistive',
  },
  'induction-hob': {
    name: 'induction hob',
    family: 'Cooking',
    powerFactor: range(0.95, 0.97, 1),
    surelyLags: false,
    onVoltage: 'constant-power',
  },
  'microwave-transformer': {
    name: 'microwave oven, transformer type',
    family: 'Cooking',
    powerFactor: range(0.85, 0.9, 0.95),
    surelyLags: true,
    isTransformer: true,
    onVoltage: 'constant-power',
    crestFactor: 1.8,
    startMultiple: range(1.2, 1.6, 2),
    startSeconds: range(0.05, 0.5, 0.5),
  },
  'supply-with-correction': {
    name: 'electronics with power-factor correction',
    family: 'Electronics',
    powerFactor: range(0.9, 0.95, 1),
    surelyLags: false,
    onVoltage: 'constant-power',
  },
  'supply-without-correction': {
    name: 'electronics without power-factor correction',
    family: 'Electronics',
    powerFactor: range(0.55, 0.65, 0.7),
    surelyLags: false,
    onVoltage: 'constant-power',
    crestFactor: 3,
  },
  'shaded-pole-motor': {
    name: 'shaded-pole fan',
    family: 'Motors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.2,
    startMultiple: range(1.5, 2, 2.5),
    startSeconds: range(0.5, 1, 2),
  },
  'water-pump': {
    name: 'submersible or jet pump',
    family: 'Motors',
    mayHaveThermostat: true,
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(4, 6, 7),
    startSeconds: range(0.3, 0.5, 0.8),
  },
  'air-compressor-under-pressure': {
    name: 'air compressor that starts under pressure',
    family: 'Compressors',
    mayHaveThermostat: true,
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.8,
    startMultiple: range(5, 6, 7),
    startSeconds: range(0.5, 1, 2),
  },
  'hermetic-scroll': {
    name: 'hermetic compressor, scroll',
    family: 'Compressors',
    hasThermostat: true,
    powerFactor: HERMETIC_PF,
    surelyLags: true,
    onVoltage: 'constant-power',
    startTorqueShare: 0.45,
    startMultiple: range(4.5, 6, 7),
    startSeconds: range(0.1, 0.3, 0.4),
  },
  'inverter-driven-compressor': {
    name: 'variable-speed compressor, with correction',
    family: 'Compressors',
    hasThermostat: true,
    powerFactor: range(0.9, 0.95, 1),
    surelyLags: false,
    onVoltage: 'constant-power',
    startMultiple: range(1, 1.2, 1.3),
    startSeconds: range(10, 30, 60),
  },
  'inverter-driven-compressor-without-correction': {
    name: 'variable-speed compressor, without correction',
    family: 'Compressors',
    hasThermostat: true,
    powerFactor: range(0.55, 0.65, 0.7),
    surelyLags: false,
    onVoltage: 'constant-power',
    crestFactor: 3,
    startMultiple: range(1, 1.2, 1.3),
    startSeconds: range(10, 30, 60),
  },
  'ptc-heater': {
    name: 'ceramic heater (PTC)',
    family: 'Heating',
    mayHaveThermostat: true,
    powerFactor: exactly(1),
    surelyLags: false,
    onVoltage: 'resistive',
    startMultiple: range(1.3, 1.6, 1.8),
    startSeconds: range(5, 10, 30),
    startFalls: true,
  },
  'half-wave-heater': {
    name: 'hair dryer or heat gun on low (half wave)',
    family: 'Heating',
    powerFactor: exactly(Math.SQRT1_2),
    surelyLags: false,
    onVoltage: 'resistive',
    crestFactor: 2,
  },
  'microwave-inverter': {
    name: 'microwave oven, inverter type',
    family: 'Cooking',
    powerFactor: range(0.95, 0.98, 1),
    surelyLags: false,
    onVoltage: 'constant-power',
    startMultiple: range(1.1, 1.3, 1.5),
    startSeconds: range(1, 2, 3),
  },
  transformer: {
    name: 'transformer or toroid',
    family: 'Electronics',
    powerFactor: range(0.8, 0.9, 1),
    surelyLags: true,
    isTransformer: true,
    onVoltage: 'resistive',
    startMultiple: range(15, 25, 60),
    startSeconds: range(0.02, 0.05, 0.1),
  },
  'incandescent-lamp': {
    name: 'incandescent or halogen lamps',
    family: 'Electronics',
    powerFactor: exactly(1),
    surelyLags: false,
    onVoltage: 'resistive',
    startMultiple: range(8, 10, 15),
    startSeconds: range(0.02, 0.1, 0.2),
  },
  'led-driver': {
    name: 'LED lamps',
    family: 'Electronics',
    powerFactor: range(0.5, 0.6, 0.95),
    surelyLags: false,
    onVoltage: 'constant-power',
    crestFactor: 3.5,
  },
  'inverter-welder': {
    name: 'welder, inverter type',
    family: 'Electronics',
    powerFactor: range(0.6, 0.65, 0.75),
    surelyLags: false,
    onVoltage: 'constant-power',
    crestFactor: 3,
  },
} as const satisfies Record<string, KindOfPart>;

export type PartKind = keyof typeof KINDS_OF_PARTS;

export const PART_KINDS = Object.keys(KINDS_OF_PARTS) as readonly PartKind[];

/**
 * Power factor of a motor that is starting. Source: the stall impedance of R = X = 0.10 per unit of
 * the WECC/NERC composite load model (0.71), widened to 0.55 to 0.85; confidence medium.
 */
export const LOCKED_ROTOR_POWER_FACTOR: UsualRange = range(0.55, 0.7, 0.85);

/** The kind, read as the interface all kinds share. */
export function kindOfPart(kind: PartKind): KindOfPart {
  return KINDS_OF_PARTS[kind];
}
