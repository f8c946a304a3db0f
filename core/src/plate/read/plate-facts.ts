import type { PlateQuantity } from '../../reference/plate-terms.js';
import { SAME_VOLTS, STATED_TWICE } from '../../reference/plate-tolerances.js';
import { factAt, keyOfFact, type PlateFact, type PlateSlot } from './plate-fact.js';
import { contradictionsOf, type PlateContradiction } from './plate-contradictions.js';
import { isPlausible, type PlateRead, type PlateValue } from './read-plate.js';

/** What is asked of a plate, and what may be answered; until then what it is about is left out. */
export interface PlateQuestion {
  readonly id: string;
  readonly kind:
    | 'which-reading'
    | 'all-or-one'
    | 'implausible'
    | 'two-values'
    | 'which-volts'
    | 'takes-or-gives'
    | 'how-long'
    | PlateContradiction['kind'];
  readonly about: readonly PlateFact[];
  readonly choices: readonly PlateChoice[];
}

export interface PlateChoice {
  readonly id: string;
  /** What it says then: a number of the plate, or that it is left out. */
  readonly says:
    | { readonly quantity: PlateQuantity; readonly value: number; readonly letter?: string | undefined }
    | 'leave-out'
    | 'both'
    | 'takes'
    | 'gives';
}

/** Answers by the ids of questions and choices. */
export type PlateAnswers = Readonly<Record<string, string>>;

export interface PlateFacts {
  readonly facts: readonly PlateFact[];
  readonly questions: readonly PlateQuestion[];
  /** Questions without an answer: while there are any, something is left out. */
  readonly open: readonly PlateQuestion[];
}

/**
 * The numbers of a plate that can be used, and what has to be asked first.
 *
 * @param volts Of the circuit it is for: a plate for several voltages is read at that one. Undefined where it is not known.
 * @param answers What was answered so far.
 */
export function plateFacts(read: PlateRead, volts: number | undefined, answers: PlateAnswers): PlateFacts {
  const at = whichVolts(read.values, volts, answers);
  const hasBoth = (['ac', 'dc'] as const).every((each) =>
    read.values.some(({ current }) => current === each),
  );
  const candidates = read.values.flatMap((value) => factsOf(value, at, hasBoth));
  const singles = grouped(candidates).map((facts) => oneOf(facts, answers));
  const facts = singles.flatMap(({ fact }) => fact ?? []);
  const asked = [...at.questions, ...singles.flatMap(({ questions }) => questions)];
  const judged = judgedOf(facts, answers);
  const questions = [...asked, ...judged.questions];
  return { facts: judged.facts, questions, open: questions.filter(({ id }) => answers[id] === undefined) };
}

type Candidate = PlateFact & Pick<PlateValue, 'otherwise' | 'times'>;

/** Of a list the one for the volts it is read at; what goes with no volts is asked, and nothing is taken of it before. */
function factsOf(value: PlateValue, { index, count }: AtVolts, hasBoth: boolean): readonly Candidate[] {
  const { values, isRange, quantity } = value;
  if (isRange || values.length < 2 || quantity === 'hertz') return [factOf(value, index, hasBoth)];
  if (values.length !== count) return values.map((_, place) => factOf(value, place, hasBoth));
  return index === undefined ? [] : [factOf(value, index, hasBoth)];
}

function factOf(value: PlateValue, index: number | undefined, hasBoth = false): Candidate {
  const { values, isRange, quantity, letter, line, text, otherwise, times } = value;
  const [first = 0, ...others] = values;
  const last = others.at(-1) ?? first;
  const single = isRange ? (first + last) / 2 : (values[index ?? 0] ?? first);
  return {
    slot: slotOf(value, hasBoth),
    quantity,
    value: single,
    range: isRange ? [Math.min(first, last), Math.max(first, last)] : undefined,
    isList: !isRange && values.length > 1 && index === undefined,
    letter,
    line,
    text,
    otherwise,
    times,
  };
}

/** Where a number is of, whatever stands beside it. */
const OWN_SLOTS: Readonly<Partial<Record<PlateQuantity, PlateSlot>>> = {
  seconds: 'most',
  circuitAmps: 'main',
  fuseAmps: 'main',
};
/** Of the whole thing, or of one side of it. */
const OF_ALL: readonly PlateQuantity[] = ['volts', 'hertz', 'phases'];
const OF_COMPRESSOR: readonly PlateQuantity[] = ['ratedLoadAmps', 'lockedRotorAmps'];

function slotOf(value: PlateValue, hasBoth: boolean): PlateSlot {
  const { quantity, place, manner, current } = value;
  if (hasBoth && current === 'dc' && !place) return 'direct';
  if (OF_COMPRESSOR.includes(quantity)) return place === 'fan' ? 'fan' : 'compressor';
  if (OF_ALL.includes(quantity)) return sideOf(value);
  const isMoment = manner !== undefined && manner !== 'rated';
  return OWN_SLOTS[quantity] ?? (isMoment ? manner : (place ?? 'main'));
}

const sideOf = ({ place }: PlateValue): PlateSlot =>
  place === 'input' || place === 'output' ? place : 'main';

/** At which of so many voltages a plate is read. */
interface AtVolts {
  readonly index: number | undefined;
  readonly count: number | undefined;
  readonly questions: readonly PlateQuestion[];
}

/** At which of several voltages the plate is read. */
function whichVolts(
  values: readonly PlateValue[],
  volts: number | undefined,
  answers: PlateAnswers,
): AtVolts {
  const list = values.find(
    ({ quantity, values: each, isRange }) => quantity === 'volts' && each.length > 1 && !isRange,
  );
  const count = list?.values.length;
  if (!list) return { index: undefined, count, questions: [] };
  const near =
    volts === undefined ? -1 : list.values.findIndex((each) => Math.abs(volts / each - 1) <= SAME_VOLTS);
  if (near >= 0) return { index: near, count, questions: [] };
  const id = 'which-volts';
  const choices = list.values.map((value, index) => ({
    id: String(index),
    says: { quantity: 'volts' as const, value },
  }));
  const answer = answers[id];
  return {
    index: answer === undefined ? undefined : Number(answer),
    count,
    questions: [{ id, kind: 'which-volts', about: [factOf(list, 0)], choices }],
  };
}

function grouped(facts: readonly Candidate[]): readonly (readonly Candidate[])[] {
  const groups = new Map<string, Candidate[]>();
  for (const fact of facts) {
    const key = keyOfFact(fact);
    groups.set(key, [...(groups.get(key) ?? []), fact]);
  }
  return [...groups.values()];
}

/** One number of what stands for one thing, with what has to be asked for it. */
function oneOf(
  all: readonly Candidate[],
  answers: PlateAnswers,
): { readonly fact: PlateFact | undefined; readonly questions: readonly PlateQuestion[] } {
  const different = all.filter((fact, index) => all.findIndex((other) => isSame(fact, other)) === index);
  const [first, ...others] = different;
  if (!first) return { fact: undefined, questions: [] };
  if (others.length > 0) return asked('two-values', different, different, answers);
  // What stands there twice is sure where one of the two can be read in one way only.
  const fact = all.find(({ otherwise }) => otherwise === undefined) ?? first;
  if (fact.otherwise !== undefined) {
    const kind = fact.times > 1 ? 'all-or-one' : 'which-reading';
    return asked(kind, [fact], [fact, { ...fact, value: fact.otherwise }], answers);
  }
  const isSure = fact.quantity === 'codeLetter' || isPlausible(fact.quantity, fact.value);
  return isSure ? { fact, questions: [] } : asked('implausible', [fact], [fact], answers);
}

function isSame(one: PlateFact, other: PlateFact): boolean {
  return (
    one.letter === other.letter && Math.abs(one.value - other.value) <= STATED_TWICE * Math.abs(other.value)
  );
}

function asked(
  kind: PlateQuestion['kind'],
  about: readonly PlateFact[],
  ways: readonly PlateFact[],
  answers: PlateAnswers,
): ReturnType<typeof oneOf> {
  const [first] = about;
  const id = `${kind}-${first ? keyOfFact(first) : ''}`;
  const choices: readonly PlateChoice[] = [
    ...ways.map(({ quantity, value, letter }, index) => ({
      id: String(index),
      says: { quantity, value, letter },
    })),
    { id: 'leave', says: 'leave-out' as const },
  ];
  const answer = answers[id];
  return {
    fact: answer === undefined ? undefined : ways[Number(answer)],
    questions: [{ id, kind, about, choices }],
  };
}

/** What contradicts itself is asked: which of the two is believed, or both. */
function judgedOf(
  facts: readonly PlateFact[],
  answers: PlateAnswers,
): Pick<PlateFacts, 'facts' | 'questions'> {
  return contradictionsOf(facts).reduce<Pick<PlateFacts, 'facts' | 'questions'>>(
    (before, { kind, one, other }) => {
      const question: PlateQuestion = {
        id: kind,
        kind,
        about: [one, other],
        choices: [
          { id: 'one', says: one },
          { id: 'other', says: other },
          { id: 'both', says: 'both' },
        ],
      };
      const answer = answers[kind];
      const isLeft = (fact: PlateFact): boolean =>
        (fact === one && answer !== 'one' && answer !== 'both') ||
        (fact === other && answer !== 'other' && answer !== 'both');
      return {
        facts: before.facts.filter((fact) => !isLeft(fact)),
        questions: [...before.questions, question],
      };
    },
    takesOrGives(facts, answers),
  );
}

/** Watts beside a speed, and no amps to tell: what the motor takes, or what it gives at its shaft. */
function takesOrGives(
  facts: readonly PlateFact[],
  answers: PlateAnswers,
): Pick<PlateFacts, 'facts' | 'questions'> {
  const watts = factAt(facts, 'watts', 'main');
  const tells = factAt(facts, 'amps', 'main') ?? factAt(facts, 'voltAmps', 'main');
  if (!watts || !factAt(facts, 'rpm', 'main') || tells) return { facts, questions: [] };
  const id = 'takes-or-gives';
  const question: PlateQuestion = {
    id,
    kind: id,
    about: [watts],
    choices: [
      { id: 'takes', says: 'takes' },
      { id: 'gives', says: 'gives' },
    ],
  };
  const rest = facts.filter((fact) => fact !== watts);
  const known =
    answers[id] === 'takes'
      ? facts
      : answers[id] === 'gives'
        ? [...rest, { ...watts, slot: 'output' as const }]
        : rest;
  return { facts: known, questions: [question] };
}
