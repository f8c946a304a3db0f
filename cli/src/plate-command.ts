import { readFile } from 'node:fs/promises';
import type { NumberStyle } from '@heliarch/core/units';
import type { Rig } from '@heliarch/core/rig';
import {
  DEVICE_NAMES,
  plateFactWords,
  plateGapWords,
  plateQuestionWords,
  plateWarningWords,
  sayPlate,
  suggestedCircuit,
  withPlateIn,
  type PlateAnswers,
  type PlateInRig,
  type PlateSaid,
} from '@heliarch/core/plate';
import { BadInput } from './exit-codes.ts';

export interface PlateOptions {
  readonly file?: string;
  readonly rig?: string;
  readonly volts?: string;
  readonly answer?: readonly string[];
  readonly json?: boolean;
}

/** What a nameplate says: its numbers with their lines, what has to be asked, and what it makes of a load. */
export async function plateCommand(
  style: NumberStyle,
  given: string | undefined,
  rig: Rig | undefined,
  options: PlateOptions,
): Promise<string> {
  const text = await textOf(given, options);
  const volts = voltsOf(options) ?? rig?.buses.find(({ kind }) => kind === 'ac')?.volts;
  const hertz = rig?.buses.find(({ kind }) => kind === 'ac')?.hertz;
  const said = sayPlate(text, { volts, hertz, answers: answersOf(options), confirmed: 'all' });
  const report = reportOf(style, said, rig && inRig(rig, said));
  return options.json ? `${JSON.stringify(report, null, 2)}\n` : asLines(report);
}

async function textOf(given: string | undefined, { file }: PlateOptions): Promise<string> {
  if (given !== undefined) return given;
  if (file === undefined)
    throw new BadInput('No plate: write its text in quotes, or name a file with --file.');
  return readFile(file, 'utf8').catch(() => {
    throw new BadInput(`--file: ${file} cannot be read; name a text file that exists.`);
  });
}

function voltsOf({ volts }: PlateOptions): number | undefined {
  if (volts === undefined) return undefined;
  const value = Number(volts);
  if (!(value > 0)) throw new BadInput(`--volts: "${volts}" is no voltage; write a number such as 120.`);
  return value;
}

function answersOf({ answer = [] }: PlateOptions): PlateAnswers {
  return Object.fromEntries(
    answer.map((each) => {
      const [question, choice] = each.split('=');
      if (!question || !choice) throw new BadInput(`--answer: "${each}" is none; write question=choice.`);
      return [question, choice] as const;
    }),
  );
}

/** A plate of a load as a new one of its likeliest kind; anything else as a new entry. */
function inRig(rig: Rig, said: PlateSaid): PlateInRig | undefined {
  if (said.warnings.some(({ kind }) => kind === 'three-phases')) return undefined;
  const [kind] = said.kinds.kinds;
  if (said.device === 'load') {
    if (!kind || !said.kinds.isTold) return undefined;
    const names = rig.circuits.map(({ name }) => name);
    const circuit = rig.circuits[suggestedCircuit(names, kind)]?.id ?? '';
    return withPlateIn(rig, said, { into: 'new-load', kind, name: '', circuit });
  }
  const list = { converter: 'converters', generator: 'sources', battery: 'batteries' } as const;
  return withPlateIn(rig, said, { into: 'new-entry', list: list[said.device], name: '' });
}

function reportOf(style: NumberStyle, said: PlateSaid, put: PlateInRig | undefined) {
  const { device, kinds, facts, questions, open, warnings, read } = said;
  return {
    of: DEVICE_NAMES[device],
    kinds: device === 'load' ? kinds.kinds.map(({ name }) => name) : [],
    isTold: kinds.isTold,
    values: facts.map((fact) => ({
      slot: fact.slot,
      quantity: fact.quantity,
      value: fact.letter ?? fact.value,
      ...(fact.range && { range: fact.range }),
      line: fact.line,
      text: fact.text,
      words: plateFactWords(style, fact),
    })),
    questions: questions.map((question) => ({
      id: question.id,
      isOpen: open.includes(question),
      ...plateQuestionWords(style, question),
    })),
    warnings: warnings.map((warning) => plateWarningWords(style, warning)),
    unread: read.unread,
    missing: put && plateGapWords(put.missing),
    entry: put && (put.rig[put.list] as readonly { readonly id: string }[]).find(({ id }) => id === put.id),
  };
}

function asLines({
  of,
  kinds,
  isTold,
  values,
  questions,
  warnings,
  unread,
  missing,
}: ReturnType<typeof reportOf>): string {
  return `${[
    kinds[0] === undefined
      ? of
      : `${of}${isTold ? `: ${kinds[0].toLowerCase()}` : '; the plate does not say what it is'}`,
    ...values.map(({ line, text, words }) => `  ${words.name}: ${words.value}   (line ${line}: ${text})`),
    ...questions.map(
      ({ id, isOpen, question, choices }) =>
        `${isOpen ? 'Asked' : 'Answered'}: ${question} --answer ${id}=${choices.map((each) => `${each.id} (${each.label})`).join(' | ')}`,
    ),
    ...warnings,
    ...unread.map(({ line, text }) => `Not read: ${text}, line ${line}`),
    ...(missing === undefined ? [] : [missing]),
  ].join('\n')}\n`;
}
