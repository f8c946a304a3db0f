import { PART_KINDS, kindOfPart } from '../reference/kinds-of-parts.js';

/** How an option of a choice is said; where nothing stands here, its own letters are. */
const WORDS: Readonly<Record<string, string>> = {
  ac: 'mains (AC)',
  dc: 'battery side (DC)',
  single: 'one hot conductor',
  'split-180': 'two against each other',
  'two-poles-in-phase': 'two from one pole',
  inlet: 'shore inlet',
  petrol: 'petrol (gasoline)',
  'lp-gas': 'gas (LPG)',
  'ul-489': 'UL 489',
  'iec-60898-b': 'IEC, B',
  'iec-60898-c': 'IEC, C',
  'iec-60898-d': 'IEC, D',
  'inverter-charger': 'inverter with charger',
  'dc-dc': 'DC to DC charger',
  l1: 'leg 1',
  l2: 'leg 2',
  both: 'both legs',
  trips: 'shuts down',
  'folds-back': 'lowers its voltage',
  lower: 'steadily',
  pulses: 'in pulses',
  unknown: 'not known',
  sine: 'true sine',
  'modified-sine': 'in steps (modified sine)',
  lfp: 'lithium iron phosphate (LFP)',
  agm: 'lead, AGM',
  gel: 'lead, gel',
  flooded: 'lead, wet cells',
  'class-t': 'class T',
  'bolt-in': 'bolted in',
  blade: 'blade',
  'by-itself': 'starts by itself',
  'during-work': 'switched during work',
  must: 'must run',
  should: 'should run',
  may: 'may run',
  restarts: 'runs again by itself',
  'stays-off': 'stays off',
  medical: 'a person (medical device)',
  animals: 'an animal',
  opposed: 'two against each other (240 V)',
  'in-phase': 'one pole on both',
  'wye-208': 'two legs of 208 V',
  inverter: 'inverter',
  shared: 'both together',
  kept: 'kept',
  'left-out': 'left out',
  nec: 'the house table (NEC)',
  abyc: 'the boat table (ABYC)',
  iec: 'the metric table (IEC)',
  advise: 'advise me',
  'leave-out': 'leave it out',
  'on-the-battery': 'on the battery only',
  'on-the-inverter-too': 'on the inverter too',
  ...Object.fromEntries(PART_KINDS.map((kind) => [kind, kindOfPart(kind).name])),
};

/**
 * An option of a choice as a person reads it.
 *
 * @example
 * choiceWords('by-itself'); // 'starts by itself'
 */
export function choiceWords(option: string): string {
  return WORDS[option] ?? option.replaceAll('-', ' ');
}
