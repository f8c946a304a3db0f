/**
 * What is usual for each kind of part: how it starts and its power factor.
 *
 * Source: common practice, no published standard behind it (methods.md 1, 2.6 and 15). Confidence:
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
}

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
    startMultiple: range(5, 6, 8),
    startSeconds: range(0.2, 0.5, 0.8),
  },
  'capacitor-start-motor': {
    name: 'capacitor-start motor',
    family: 'Motors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    startMultiple: range(4, 5.5, 7),
    startSeconds: range(0.2, 0.5, 1),
  },
  'high-inertia-motor': {
    name: 'motor with heavy wheels',
    family: 'Motors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    startMultiple: range(5, 6, 7),
    startSeconds: range(1.5, 3, 6),
  },
  'fan-motor': {
    name: 'fan or blower, permanent capacitor',
    family: 'Motors',
    powerFactor: range(0.85, 0.9, 0.97),
    surelyLags: true,
    startMultiple: range(2, 3, 4),
    startSeconds: range(0.5, 1.5, 3),
  },
  'universal-motor': {
    name: 'universal motor',
    family: 'Motors',
    powerFactor: range(0.85, 0.9, 0.97),
    surelyLags: true,
    startMultiple: range(3, 5, 8),
    startSeconds: range(0.2, 0.4, 0.6),
  },
  'air-compressor': {
    name: 'air compressor, capacitor start',
    family: 'Compressors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    startMultiple: range(4, 5.5, 7),
    startSeconds: range(0.2, 0.5, 1),
  },
  'hermetic-rotary': {
    name: 'hermetic compressor, rotary',
    family: 'Compressors',
    powerFactor: HERMETIC_PF,
    surelyLags: true,
    startMultiple: range(4, 5.5, 6),
    startSeconds: range(0.1, 0.3, 0.4),
  },
  'hermetic-reciprocating': {
    name: 'hermetic compressor, reciprocating',
    family: 'Compressors',
    powerFactor: HERMETIC_PF,
    surelyLags: true,
    startMultiple: range(5, 6, 7),
    startSeconds: range(0.2, 0.4, 0.5),
  },
  refrigerator: {
    name: 'domestic refrigerator, resistance start',
    family: 'Compressors',
    powerFactor: FRACTIONAL_MOTOR_PF,
    surelyLags: true,
    startMultiple: range(6, 8, 12),
    startSeconds: range(0.2, 0.5, 0.8),
  },
  'resistance-heater': {
    name: 'resistance heater',
    family: 'Heating',
    powerFactor: exactly(1),
    surelyLags: false,
  },
  'resistance-cooker': {
    name: 'kettle, oven or coil',
    family: 'Cooking',
    powerFactor: exactly(1),
    surelyLags: false,
  },
  'induction-hob': {
    name: 'induction hob',
    family: 'Cooking',
    powerFactor: range(0.95, 0.97, 1),
    surelyLags: false,
  },
  'microwave-transformer': {
    name: 'microwave oven, transformer type',
    family: 'Cooking',
    powerFactor: range(0.85, 0.9, 0.95),
    surelyLags: true,
    startMultiple: range(1.5, 2, 3),
    startSeconds: range(0.05, 0.5, 1),
  },
  'supply-with-correction': {
    name: 'electronics with power-factor correction',
    family: 'Electronics',
    powerFactor: range(0.9, 0.95, 1),
    surelyLags: false,
  },
  'supply-without-correction': {
    name: 'electronics without power-factor correction',
    family: 'Electronics',
    powerFactor: range(0.55, 0.65, 0.7),
    surelyLags: false,
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
