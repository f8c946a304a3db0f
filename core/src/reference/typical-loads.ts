import type { LoadFamily, PartKind, UsualRange } from './kinds-of-parts.js';
import type { Provenance } from './provenance.js';

/**
 * What loads of a kind usually draw: no product, no measurement. A range where one is usual, else
 * 40 % up and down. Each is a starting point that a nameplate or a meter replaces.
 */
export const TYPICAL_LOADS_SOURCE: Provenance = {
  source: 'common practice, no published source',
  confidence: 'low',
};

/** How a load of a kind is usually used; as the rig file names it. */
type TypicalUse = 'left-on' | 'by-itself' | 'during-work';

export interface TypicalPart {
  readonly name?: string;
  readonly kind: PartKind;
  /** Running watts. */
  readonly watts: UsualRange;
  /** VA of its start, where that is better known of the whole appliance than by a multiple of its kind. */
  readonly startVA?: UsualRange;
}

export interface TypicalLoad {
  readonly id: string;
  readonly name: string;
  readonly family: LoadFamily;
  /** Other words a person may type for it. */
  readonly alsoCalled: string;
  readonly use: TypicalUse;
  /** The largest part first. */
  readonly parts: readonly TypicalPart[];
  /** Seconds it usually refuses a restart. */
  readonly restartWaitS?: number;
  /** Levels or modes: the share of each part, in the order of the parts. */
  readonly states?: readonly (readonly [name: string, ...shares: number[]])[];
  /** Set where its levels draw less all the time; else they may pulse. */
  readonly hasLowerLevels?: true;
}

const USUAL_DOUBT = 0.4;

/** A usual value with 40 % either way. */
const about = (usual: number): UsualRange => ({
  low: usual * (1 - USUAL_DOUBT),
  usual,
  high: usual * (1 + USUAL_DOUBT),
});
const between = (low: number, usual: number, high: number): UsualRange => ({ low, usual, high });

interface More {
  readonly use?: TypicalUse;
  readonly also?: string;
  readonly wait?: number;
  readonly startVA?: UsualRange;
  readonly states?: TypicalLoad['states'];
  readonly hasLowerLevels?: true;
}

const one = (
  family: LoadFamily,
  id: string,
  name: string,
  kind: PartKind,
  watts: UsualRange,
  { use = 'left-on', also = '', wait, startVA, states, hasLowerLevels }: More = {},
): TypicalLoad => ({
  id,
  name,
  family,
  alsoCalled: also,
  use,
  parts: [{ kind, watts, ...(startVA && { startVA }) }],
  ...(wait !== undefined && { restartWaitS: wait }),
  ...(states && { states }),
  ...(hasLowerLevels && { hasLowerLevels }),
});

const COMPRESSOR_WAIT_S = 180;
const LEVELS: TypicalLoad['states'] = [
  ['Low', 0.35],
  ['Medium', 0.65],
  ['High', 1],
];

/** What a compressor draws on a mild and on a hot day over what it usually draws. */
const COOLING_DAY = { low: 0.8, high: 1.2 } as const;

const roofUnit = (id: string, name: string, compressor: number, fan: number): TypicalLoad => ({
  id,
  name,
  family: 'Compressors',
  alsoCalled: 'air conditioner cooling unit',
  use: 'by-itself',
  restartWaitS: COMPRESSOR_WAIT_S,
  parts: [
    {
      name: 'Compressor',
      kind: 'hermetic-rotary',
      watts: between(COOLING_DAY.low * compressor, compressor, COOLING_DAY.high * compressor),
    },
    { name: 'Fan', kind: 'fan-motor', watts: about(fan) },
  ],
  states: [
    ['Cooling', 1, 1],
    ['Fan only', 0, 1],
  ],
});

const COMPRESSORS: readonly TypicalLoad[] = [
  roofUnit('roof-air-small', 'Roof air conditioner, small', 900, 130),
  roofUnit('roof-air-large', 'Roof air conditioner, large', 1350, 200),
  one(
    'Compressors',
    'window-air',
    'Window air conditioner, small',
    'hermetic-rotary',
    between(350, 480, 650),
    {
      use: 'by-itself',
      also: 'cooling unit',
      wait: COMPRESSOR_WAIT_S,
    },
  ),
  one('Compressors', 'portable-air', 'Portable air conditioner', 'hermetic-rotary', about(1000), {
    use: 'by-itself',
    also: 'cooling unit hose',
    wait: COMPRESSOR_WAIT_S,
  }),
  one(
    'Compressors',
    'split-air',
    'Split air conditioner, variable speed',
    'inverter-driven-compressor',
    about(700),
    {
      use: 'by-itself',
      also: 'mini split heat pump',
    },
  ),
  one('Compressors', 'refrigerator', 'Refrigerator, household', 'refrigerator', between(80, 120, 200), {
    use: 'by-itself',
    also: 'fridge',
    wait: COMPRESSOR_WAIT_S,
    startVA: between(600, 1000, 1800),
  }),
  one('Compressors', 'fridge-small', 'Refrigerator, small', 'refrigerator', between(50, 80, 110), {
    use: 'by-itself',
    also: 'fridge',
    wait: COMPRESSOR_WAIT_S,
    startVA: between(400, 700, 1200),
  }),
  one(
    'Compressors',
    'fridge-dc',
    'Cool box, variable speed',
    'inverter-driven-compressor-without-correction',
    about(50),
    {
      use: 'by-itself',
      also: 'fridge cooler 12 V',
    },
  ),
  one('Compressors', 'freezer', 'Chest freezer', 'refrigerator', between(70, 110, 180), {
    use: 'by-itself',
    wait: COMPRESSOR_WAIT_S,
    startVA: between(500, 900, 1600),
  }),
  one('Compressors', 'ice-maker', 'Ice maker', 'refrigerator', about(150), { use: 'by-itself' }),
  one('Compressors', 'dehumidifier', 'Dehumidifier', 'hermetic-reciprocating', about(450), {
    use: 'by-itself',
    wait: COMPRESSOR_WAIT_S,
  }),
  one('Compressors', 'air-compressor-small', 'Air compressor, small', 'air-compressor', about(750), {
    use: 'by-itself',
    also: 'shop air',
  }),
  one(
    'Compressors',
    'air-compressor-large',
    'Air compressor, 1.5 hp',
    'air-compressor-under-pressure',
    about(1500),
    {
      use: 'by-itself',
      also: 'shop air',
    },
  ),
];

const MOTORS: readonly TypicalLoad[] = [
  one('Motors', 'table-saw', 'Table saw, on site', 'universal-motor', about(1400), { use: 'during-work' }),
  one('Motors', 'cabinet-saw', 'Table saw, 1.5 hp induction motor', 'capacitor-start-motor', about(1300), {
    use: 'during-work',
  }),
  one('Motors', 'band-saw', 'Bandsaw', 'high-inertia-motor', about(600), { use: 'during-work' }),
  one('Motors', 'mitre-saw', 'Mitre saw', 'universal-motor', about(1400), {
    use: 'during-work',
    also: 'chop saw',
  }),
  one('Motors', 'circular-saw', 'Circular saw', 'universal-motor', about(1300), { use: 'during-work' }),
  one('Motors', 'planer', 'Thickness planer', 'universal-motor', about(1500), { use: 'during-work' }),
  one('Motors', 'jointer', 'Jointer', 'capacitor-start-motor', about(900), { use: 'during-work' }),
  one('Motors', 'lathe', 'Lathe, 0.75 hp', 'capacitor-start-motor', about(700), { use: 'during-work' }),
  one('Motors', 'drill-press', 'Drill press', 'split-phase-motor', about(450), { use: 'during-work' }),
  one('Motors', 'bench-grinder', 'Bench grinder', 'high-inertia-motor', about(350), { use: 'during-work' }),
  one('Motors', 'angle-grinder', 'Angle grinder', 'universal-motor', about(900), { use: 'during-work' }),
  one('Motors', 'router', 'Router', 'universal-motor', about(1000), { use: 'during-work' }),
  one('Motors', 'sander', 'Sander', 'universal-motor', about(400), { use: 'during-work' }),
  one('Motors', 'dust-extractor', 'Dust extractor, induction motor', 'high-inertia-motor', about(900), {
    also: 'collector',
  }),
  one('Motors', 'shop-vacuum', 'Workshop vacuum cleaner', 'universal-motor', about(1000)),
  one('Motors', 'vacuum', 'Vacuum cleaner', 'universal-motor', about(900)),
  one('Motors', 'blender', 'Blender', 'universal-motor', about(700), { also: 'mixer' }),
  one('Motors', 'water-pump', 'Water pump, jet or submersible', 'water-pump', about(600), {
    use: 'by-itself',
    also: 'well',
  }),
  one('Motors', 'fan', 'Fan', 'shaded-pole-motor', about(45)),
  one('Motors', 'blower', 'Furnace blower', 'fan-motor', about(350), {
    use: 'by-itself',
    also: 'heating fan',
  }),
  one('Motors', 'cooker-hood', 'Cooker hood', 'fan-motor', about(100)),
  one('Motors', 'washing-machine', 'Washing machine, cold water', 'universal-motor', about(400), {
    also: 'washer laundry',
  }),
];

const HEATING: readonly TypicalLoad[] = [
  one('Heating', 'space-heater', 'Space heater, two levels', 'resistance-heater', between(1200, 1500, 1550), {
    use: 'by-itself',
    hasLowerLevels: true,
    states: [
      ['Low', 0.5],
      ['High', 1],
    ],
  }),
  one('Heating', 'ceramic-heater', 'Ceramic heater', 'ptc-heater', between(1100, 1400, 1550), {
    use: 'by-itself',
  }),
  one('Heating', 'oil-radiator', 'Oil radiator', 'resistance-heater', between(900, 1500, 1550), {
    use: 'by-itself',
  }),
  one('Heating', 'water-heater', 'Water heater element', 'resistance-heater', between(1200, 1440, 1500), {
    use: 'by-itself',
    also: 'boiler geyser',
  }),
  one('Heating', 'electric-blanket', 'Electric blanket', 'resistance-heater', about(80), {
    use: 'by-itself',
  }),
  one('Heating', 'hair-dryer', 'Hair dryer on high', 'resistance-heater', between(1200, 1600, 1900), {
    also: 'hairdryer',
  }),
  one('Heating', 'hair-dryer-low', 'Hair dryer on low', 'half-wave-heater', about(700), {
    also: 'hairdryer',
  }),
  one('Heating', 'heat-gun', 'Heat gun on high', 'resistance-heater', between(1100, 1500, 1800)),
  one('Heating', 'iron', 'Clothes iron', 'resistance-heater', between(1000, 1400, 1800), {
    use: 'by-itself',
  }),
  one('Heating', 'tank-pads', 'Tank heating pads', 'resistance-heater', about(120), {
    use: 'by-itself',
    also: 'frost',
  }),
  one('Heating', 'glue-pot', 'Glue pot', 'resistance-heater', about(150)),
  one('Heating', 'soldering', 'Soldering station', 'resistance-heater', about(70)),
  one('Heating', 'tumble-dryer', 'Tumble dryer, compact', 'resistance-heater', about(1400), {
    also: 'laundry',
  }),
];

const COOKING: readonly TypicalLoad[] = [
  one('Cooking', 'induction-hob', 'Induction hob, one plate', 'induction-hob', between(1300, 1600, 1850), {
    states: LEVELS,
    also: 'cooktop',
  }),
  one('Cooking', 'coil-plate', 'Coil plate', 'resistance-cooker', between(900, 1200, 1500), {
    use: 'by-itself',
    also: 'hot plate',
  }),
  one('Cooking', 'kettle', 'Kettle', 'resistance-cooker', between(1000, 1450, 1550)),
  one('Cooking', 'kettle-230', 'Kettle, 230 V', 'resistance-cooker', between(1800, 2200, 3000)),
  one('Cooking', 'coffee-maker', 'Coffee maker', 'resistance-cooker', between(700, 1000, 1500)),
  one('Cooking', 'toaster', 'Toaster', 'resistance-cooker', between(750, 1000, 1500)),
  one('Cooking', 'oven', 'Small oven', 'resistance-cooker', between(1200, 1500, 1800), {
    use: 'by-itself',
    also: 'convection toaster oven air fryer',
  }),
  one(
    'Cooking',
    'microwave',
    'Microwave oven, transformer type',
    'microwave-transformer',
    between(1000, 1350, 1600),
  ),
  one(
    'Cooking',
    'microwave-inverter',
    'Microwave oven, inverter type',
    'microwave-inverter',
    between(1000, 1300, 1600),
  ),
  one('Cooking', 'pressure-pot', 'Electric pressure pot', 'resistance-cooker', between(700, 1000, 1200), {
    use: 'by-itself',
    also: 'multi cooker',
  }),
  one('Cooking', 'rice-cooker', 'Rice cooker', 'resistance-cooker', about(500), { use: 'by-itself' }),
  one('Cooking', 'slow-cooker', 'Slow cooker', 'resistance-cooker', about(220), { use: 'by-itself' }),
];

const ELECTRONICS: readonly TypicalLoad[] = [
  one('Electronics', 'laptop', 'Laptop', 'supply-without-correction', between(30, 60, 90), {
    also: 'computer',
  }),
  one('Electronics', 'desktop', 'Desktop computer with screen', 'supply-with-correction', about(180)),
  one('Electronics', 'router-modem', 'Router and modem', 'supply-without-correction', about(15), {
    also: 'internet network',
  }),
  one('Electronics', 'satellite', 'Satellite internet terminal', 'supply-with-correction', about(60)),
  one('Electronics', 'television', 'Television', 'supply-with-correction', about(60), { also: 'TV' }),
  one('Electronics', 'tool-charger', 'Tool-battery charger', 'supply-without-correction', about(120)),
  one('Electronics', 'phone-charger', 'Phone chargers', 'supply-without-correction', about(20)),
  one(
    'Electronics',
    'breathing',
    'Breathing device without humidifier',
    'supply-without-correction',
    about(40),
    {
      also: 'CPAP sleep medical',
    },
  ),
  one('Electronics', 'led-lamps', 'LED lamps', 'led-driver', about(30), { also: 'lights' }),
  one('Electronics', 'halogen-lamps', 'Halogen lamps', 'incandescent-lamp', about(200), {
    also: 'work light',
  }),
  one('Electronics', 'welder', 'Welder, inverter type', 'inverter-welder', about(2000), {
    use: 'during-work',
  }),
  one('Electronics', 'isolation', 'Isolation transformer', 'transformer', about(20)),
  one('Electronics', 'printer', '3D printer', 'supply-with-correction', about(150)),
];

/** Whatever is in no list: its plate says what it draws, and what is in it how it starts. */
const OTHERS: readonly TypicalLoad[] = [
  one('Heating', 'other-heat', 'Other, heats or cooks', 'resistance-heater', about(1000), { also: 'plate' }),
  one('Motors', 'other-motor', 'Other, with a motor', 'capacitor-start-motor', about(600), { also: 'plate' }),
  one('Compressors', 'other-compressor', 'Other, with a compressor', 'hermetic-rotary', about(600), {
    use: 'by-itself',
    also: 'plate',
    wait: COMPRESSOR_WAIT_S,
  }),
  one(
    'Electronics',
    'other-electronics',
    'Other, electronics or light',
    'supply-without-correction',
    about(100),
    {
      also: 'plate',
    },
  ),
];

export const TYPICAL_LOADS: readonly TypicalLoad[] = [
  ...MOTORS,
  ...COMPRESSORS,
  ...HEATING,
  ...COOKING,
  ...ELECTRONICS,
  ...OTHERS,
];

/** Typical loads that a person may mean by a few words; all of them for none. */
export function findTypicalLoads(words: string): readonly TypicalLoad[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return TYPICAL_LOADS.filter(({ name, family, alsoCalled }) => {
    const text = `${name} ${family} ${alsoCalled}`.toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}
