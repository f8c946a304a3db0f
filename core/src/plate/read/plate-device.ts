import type { LoadFamily } from '../../reference/kinds-of-parts.js';
import { PLATE_DEVICES, PLATE_NAMES } from '../../reference/plate-things.js';
import { TYPICAL_LOADS, type TypicalLoad } from '../../reference/typical-loads.js';
import { factAt, type PlateFact } from './plate-fact.js';
import type { PlateRead } from './read-plate.js';

/** What a plate is of. */
export type PlateDevice = 'load' | 'converter' | 'generator' | 'battery';

/** What the thing is by its plate: by its words, and by what is stated at all. */
export function deviceOfPlate({ lines }: PlateRead, facts: readonly PlateFact[]): PlateDevice {
  const text = lines.join(' ').toLowerCase();
  const has = (quantity: PlateFact['quantity']): boolean => facts.some((fact) => fact.quantity === quantity);
  const isOfMotor = has('rpm') || has('horsepower') || has('lockedRotorAmps') || has('cooling');
  if (PLATE_DEVICES.generator.test(text)) return 'generator';
  if (PLATE_DEVICES.converter.test(text) && !isOfMotor) return 'converter';
  return has('ampHours') && !isOfMotor && !/charger|ladegerät|chargeur/.test(text) ? 'battery' : 'load';
}

/** Kinds that a plate may be of, the likeliest first, and whether its own words or numbers tell which. */
export interface PlateKinds {
  readonly kinds: readonly TypicalLoad[];
  readonly isTold: boolean;
}

const MOTORS: readonly LoadFamily[] = ['Motors', 'Compressors'];
/** Speeds of induction motors of one or two pairs of poles lie in here; universal motors run faster. */
const INDUCTION_RPM = { least: 800, most: 3600 } as const;
/** What a plate may be of that names nothing. */
const OTHERS = [
  'other-heat',
  'other-electronics',
  'other-motor',
  'other-compressor',
  'roof-air-large',
] as const;

/**
 * Which kinds of loads a plate may be of: by its words, else by what only such a thing states. Locked-rotor amps and cooling are of
 * a compressor, horsepower, a speed or a code letter of a motor.
 *
 * Source: common practice, no published source.
 */
export function kindsOfPlate(read: PlateRead, facts: readonly PlateFact[]): PlateKinds {
  const text = read.lines.join(' ').toLowerCase();
  const { families, likeliest } = evidenceOf(facts);
  const fits = (kind: TypicalLoad): boolean => !families || families.includes(kind.family);
  const withId = (id: string): readonly TypicalLoad[] => TYPICAL_LOADS.filter((kind) => kind.id === id);
  const named = PLATE_NAMES.flatMap(([words, id]) => (words.test(text) ? withId(asBuilt(id, facts)) : []));
  const others = [...(likeliest ? [likeliest] : []), ...OTHERS].flatMap(withId);
  const kinds = [...new Set([...named, ...others].filter(fits))];
  return { kinds, isTold: likeliest !== undefined || named.some(fits) };
}

/** A saw with the speed of an induction motor starts as one. */
function asBuilt(id: string, facts: readonly PlateFact[]): string {
  const rpm = factAt(facts, 'rpm', 'main')?.value;
  const isInduction =
    factAt(facts, 'codeLetter', 'main') !== undefined ||
    (rpm !== undefined && rpm >= INDUCTION_RPM.least && rpm <= INDUCTION_RPM.most);
  return id === 'table-saw' && isInduction ? 'cabinet-saw' : id;
}

/** Families that state such things, and what is most likely of them; undefined where anything may. */
function evidenceOf(facts: readonly PlateFact[]): {
  readonly families: readonly LoadFamily[] | undefined;
  readonly likeliest: (typeof OTHERS)[number] | undefined;
} {
  const has = (...quantities: readonly PlateFact['quantity'][]): boolean =>
    facts.some(({ quantity }) => quantities.includes(quantity));
  if (has('cooling')) return { families: ['Compressors'], likeliest: 'roof-air-large' };
  if (has('ratedLoadAmps', 'lockedRotorAmps'))
    return { families: ['Compressors'], likeliest: 'other-compressor' };
  if (has('horsepower', 'rpm', 'codeLetter')) return { families: MOTORS, likeliest: 'other-motor' };
  return { families: undefined, likeliest: undefined };
}
