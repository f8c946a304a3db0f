import { MOST_BATTERY_VOLTS, SAME_BATTERY_VOLTS, SAME_VOLTS } from '../reference/plate-tolerances.js';
import { deviceOfPlate, kindsOfPlate, type PlateDevice, type PlateKinds } from './read/plate-device.js';
import { factAt, keyOfFact, type PlateFact } from './read/plate-fact.js';
import { plateFacts, type PlateAnswers, type PlateQuestion } from './read/plate-facts.js';
import { readPlate, type PlateRead } from './read/read-plate.js';

/** What a plate is read for. */
export interface PlateFor {
  /** Of the circuit it is for; undefined where that is not known. */
  readonly volts: number | undefined;
  readonly hertz: number | undefined;
  /** Of the battery that an inverter is for. */
  readonly batteryVolts?: number | undefined;
  readonly answers: PlateAnswers;
  /** Numbers that were compared with the picture they were read off, by their keys; all of them where the text was typed. */
  readonly confirmed: ReadonlySet<string> | 'all';
}

/** A plate that is for something else than what the rig has. */
export type PlateWarning =
  | { readonly kind: 'other-volts'; readonly fact: PlateFact; readonly here: number }
  | { readonly kind: 'other-battery'; readonly fact: PlateFact; readonly here: number }
  | { readonly kind: 'other-hertz'; readonly fact: PlateFact; readonly here: number }
  | { readonly kind: 'three-phases'; readonly fact: PlateFact };

/** All that a plate says. */
export interface PlateSaid {
  readonly read: PlateRead;
  readonly device: PlateDevice;
  readonly kinds: PlateKinds;
  readonly facts: readonly PlateFact[];
  readonly questions: readonly PlateQuestion[];
  /** What is not answered yet: until then it is left out. */
  readonly open: readonly PlateQuestion[];
  readonly warnings: readonly PlateWarning[];
}

/**
 * All that a plate says: its numbers, what has to be asked, what it is of, and what does not suit the rig.
 *
 * @param text The plate's lines, typed, pasted or read off a picture.
 */
export function sayPlate(
  text: string,
  { volts, hertz, batteryVolts, answers, confirmed }: PlateFor,
): PlateSaid {
  const read = readPlate(text);
  const { facts: plain, ...asked } = plateFacts(read, volts, answers);
  const facts = plain.map((fact) =>
    confirmed === 'all' || confirmed.has(keyOfFact(fact)) ? fact : { ...fact, isUnconfirmed: true },
  );
  const device = deviceOfPlate(read, facts);
  const questions = [...asked.questions, ...(device === 'load' ? [] : howLong(facts))];
  return {
    read,
    device,
    kinds: kindsOfPlate(read, facts),
    facts: withSeconds(facts, answers),
    questions,
    open: questions.filter(({ id }) => answers[id] === undefined),
    warnings: [
      ...warningsOf(facts, device, volts, hertz),
      ...(device === 'converter' ? atOtherBattery(facts, batteryVolts) : []),
    ],
  };
}

const HOW_LONG = 'how-long';
const SECONDS = [1, 5, 30, 60] as const;

/** A surge says nothing without its seconds. */
function howLong(facts: readonly PlateFact[]): readonly PlateQuestion[] {
  const most = factAt(facts, 'voltAmps', 'most') ?? factAt(facts, 'watts', 'most');
  if (!most || factAt(facts, 'seconds', 'most')) return [];
  const choices = SECONDS.map((value) => ({
    id: String(value),
    says: { quantity: 'seconds' as const, value },
  }));
  return [
    {
      id: HOW_LONG,
      kind: HOW_LONG,
      about: [most],
      choices: [...choices, { id: 'leave', says: 'leave-out' }],
    },
  ];
}

function withSeconds(facts: readonly PlateFact[], answers: PlateAnswers): readonly PlateFact[] {
  const most = factAt(facts, 'voltAmps', 'most') ?? factAt(facts, 'watts', 'most');
  const value = Number(answers[HOW_LONG]);
  if (!most || !(value > 0)) return facts;
  return [
    ...facts,
    { ...most, quantity: 'seconds', value, range: undefined, text: `for ${value} s, by your answer` },
  ];
}

function warningsOf(
  facts: readonly PlateFact[],
  device: PlateDevice,
  here: number | undefined,
  hertzHere: number | undefined,
): readonly PlateWarning[] {
  // What a battery gives is that of its cells, which may be joined.
  if (device === 'battery') return [];
  const volts = factAt(
    facts,
    'volts',
    ...(device === 'converter' ? (['output'] as const) : (['main', 'input'] as const)),
  );
  const hertz = factAt(facts, 'hertz', 'main', 'input', 'output');
  const phases = factAt(facts, 'phases', 'main', 'input', 'output');
  return [
    ...(volts && here !== undefined && isOther(volts, here)
      ? [{ kind: 'other-volts' as const, fact: volts, here }]
      : []),
    ...(hertz && !hertz.isList && hertzHere !== undefined && hertz.value !== hertzHere
      ? [{ kind: 'other-hertz' as const, fact: hertz, here: hertzHere }]
      : []),
    ...(phases && phases.value > 1 ? [{ kind: 'three-phases' as const, fact: phases }] : []),
  ];
}

/** An inverter of 12 V does not outlive a battery of 24 V. */
function atOtherBattery(facts: readonly PlateFact[], here: number | undefined): readonly PlateWarning[] {
  const fact = factAt(facts, 'volts', 'direct', 'input');
  const isOfBattery = fact !== undefined && fact.value <= MOST_BATTERY_VOLTS;
  return isOfBattery && here !== undefined && isOther(fact, here, SAME_BATTERY_VOLTS)
    ? [{ kind: 'other-battery', fact, here }]
    : [];
}

function isOther({ value, range }: PlateFact, here: number, tolerance = SAME_VOLTS): boolean {
  const [least, most] = range ?? [value, value];
  return here < (1 - tolerance) * least || here > (1 + tolerance) * most;
}
