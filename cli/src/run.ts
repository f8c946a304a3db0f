import { isNothingFed } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { contradictionsOf, unknownFieldsOf, wireTablesOf } from '@heliarch/core/describe';
import { Command, CommanderError } from 'commander';
import { checkCommand, type CheckOptions } from './check-command.ts';
import {
  BadInput,
  EXIT_BAD_INPUT,
  EXIT_DEFECT,
  EXIT_NOTHING_TO_CHECK,
  EXIT_OF_VERDICT,
} from './exit-codes.ts';
import { fitCommand, type FitOptions } from './fit-command.ts';
import { logCommand, type LogOptions } from './log-command.ts';
import { plateCommand, type PlateOptions } from './plate-command.ts';
import { openRig } from './open-rig.ts';
import { planCommand, type PlanOptions } from './plan-command.ts';
import { sizeCommand, type SizeOptions } from './size-command.ts';
import { pairsCommand, setsCommand, type SetsOptions } from './sets-command.ts';

/** What a terminal and a script read alike, whatever the machine's language. */
const NUMBER_STYLE = 'point';

export interface Output {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

/** Runs one command line and returns its exit code. */
export async function run(args: readonly string[], output: Output): Promise<number> {
  const { out, err } = withoutControls(output);
  let exitCode = 0;
  const program = new Command('heliarch')
    .description('Says which loads may run together on which supply.')
    .exitOverride()
    .configureOutput({ writeOut: out, writeErr: err });
  program
    .command('check')
    .description('check a set: exit code 0 holds, 10 tight, 11 trips, 2 bad input')
    .argument('<file>', 'a rig file')
    .option('--supply <id>', 'the supply, by its id')
    .option('--on <ids>', 'the loads that are on, by id, with commas between; hob@low for a state')
    .option('--scene <id>', 'a scene of the file, in place of what is not named')
    .option(
      '--order <rule>',
      'best, given: in the order of --on, any: every load can start last; by default what the scene says, else best',
    )
    .option('--explain', 'print under each limit the numbers that went in, their sources and what decided')
    .option('--json', 'print the whole result as JSON')
    .action(async (file: string, options: CheckOptions) => {
      const rig = await openRig(file);
      err(unknownFieldLines(rig));
      const { result, text } = checkCommand(NUMBER_STYLE, rig, options);
      out(text);
      exitCode = isNothingFed(result) ? EXIT_NOTHING_TO_CHECK : EXIT_OF_VERDICT[result.verdict];
    });
  addSetQuestions(program, { out, err });
  addWhatIfQuestions(program, { out, err });
  addLogbook(program, { out, err });
  addPlate(program, out);
  program
    .command('validate')
    .description('say whether a rig file can be used, or all that is wrong with it')
    .argument('<file>', 'a rig file')
    .action(async (file: string) => {
      const rig = await openRig(file);
      const warnings = contradictionsOf(rig, wireTablesOf(rig)).map(
        ({ field, message, id }) =>
          `Look at ${field}: ${message}. (If you know better: add "${id}" to known.)\n`,
      );
      out(
        `${file} is a rig file: "${rig.name}", ${rig.loads.length} loads, ${rig.supplies.length} supplies.\n${unknownFieldLines(rig)}${warnings.join('')}`,
      );
    });
  try {
    await program.parseAsync(args, { from: 'user' });
    return exitCode;
  } catch (error) {
    return explainFailure(error, err);
  }
}

/** Questions about many sets at once; their exit code is 0 whatever they find. */
function addSetQuestions(program: Command, { out, err }: Output): void {
  program
    .command('sets')
    .description('the largest combinations of a supply: every set to which nothing can be added')
    .argument('<file>', 'a rig file')
    .requiredOption('--supply <id>', 'the supply, by its id')
    .option('--with <ids>', 'loads that every set must have, by id, with commas between')
    .option('--without <ids>', 'loads that are left out')
    .option('--circuit <id>', 'only the loads of one circuit')
    .option('--any-order', 'sets that hold whatever the order of their starts')
    .option('--rank <by>', 'number (default), importance, or spare: what comes first')
    .option('--one-change', 'what one change would make possible, too')
    .option('--tight', 'sets that should hold and may trip, besides those that hold')
    .option('--json', 'print them as JSON')
    .action(async (file: string, options: SetsOptions) => {
      const rig = await openRig(file);
      err(unknownFieldLines(rig));
      out(setsCommand(NUMBER_STYLE, rig, options, err));
    });
  program
    .command('pairs')
    .description('who runs with whom: each load that starts while each other one runs')
    .argument('<file>', 'a rig file')
    .requiredOption('--supply <id>', 'the supply, by its id')
    .option('--json', 'print them as JSON')
    .action(async (file: string, options: SetsOptions) => {
      const rig = await openRig(file);
      err(unknownFieldLines(rig));
      out(pairsCommand(rig, options, err));
    });
}

/** Questions about what would have to be otherwise; their exit code is 0 whatever they find. */
function addWhatIfQuestions(program: Command, { out, err }: Output): void {
  program
    .command('fit')
    .description('what makes a set fit that does not hold, or lets a wanted load join it: least effort first')
    .argument('<file>', 'a rig file')
    .option('--supply <id>', 'the supply, by its id')
    .option('--on <ids>', 'the loads that are on, by id, with commas between; hob@low for a state')
    .option('--scene <id>', 'a scene of the file, in place of what is not named')
    .option('--want <ids>', 'loads that are to run besides: they may be turned down, not off')
    .option(
      '--order <rule>',
      'best, given: in the order of --on, any: every load can start last; by default what the scene says, else best',
    )
    .option('--json', 'print them as JSON')
    .action(async (file: string, options: FitOptions) => {
      const rig = await openRig(file);
      err(unknownFieldLines(rig));
      out(fitCommand(NUMBER_STYLE, rig, options, err));
    });
  program
    .command('size')
    .description('which ratings are enough for a set, or for each of several scenes of the file')
    .argument('<file>', 'a rig file')
    .option('--supply <id>', 'the supply, by its id')
    .option('--on <ids>', 'the loads that are on, by id, with commas between; hob@low for a state')
    .option('--scene <ids>', 'scenes of the file, each of which must hold')
    .option('--grow <percent>', 'margin to grow, in per cent')
    .option('--json', 'print them as JSON')
    .action(async (file: string, options: SizeOptions) => {
      const rig = await openRig(file);
      err(unknownFieldLines(rig));
      out(sizeCommand(NUMBER_STYLE, rig, options, err));
    });
  program
    .command('plan')
    .description('plan a day of the file: when each job runs, so that nothing trips and the battery lasts')
    .argument('<file>', 'a rig file')
    .option('--day <id>', 'a day of the file, by its id; the first where none is named')
    .option('--rounds <count>', 'how often a part is planned anew')
    .option('--json', 'print the plan as JSON')
    .action(async (file: string, options: PlanOptions) => {
      const rig = await openRig(file);
      err(unknownFieldLines(rig));
      out(planCommand(NUMBER_STYLE, rig, options, err));
    });
}

/** What a nameplate says; its exit code is 0 whatever that is. */
function addPlate(program: Command, out: Output['out']): void {
  const answers = (answer: string, before: readonly string[] = []): readonly string[] => [...before, answer];
  program
    .command('plate')
    .description('what the text of a nameplate says, with what has to be asked first')
    .argument('[text]', 'the text of the plate, in quotes')
    .option('--file <file>', 'a file with the text of the plate')
    .option('--rig <file>', 'a rig file: the plate as an entry of that rig')
    .option('--volts <volts>', 'at which of several voltages it is read')
    .option('--answer <question=choice>', 'answers a question; may be given several times', answers)
    .option('--json', 'print it as JSON')
    .action(async (text: string | undefined, options: PlateOptions) => {
      const rig = options.rig === undefined ? undefined : await openRig(options.rig);
      out(await plateCommand(NUMBER_STYLE, text, rig, options));
    });
}

/** What was measured; its exit code is 0 whatever it says. */
function addLogbook(program: Command, { out, err }: Output): void {
  program
    .command('log')
    .description(
      'what tests say and which numbers they give: of a rig file, a file of tests, or a log as CSV',
    )
    .argument('<file>', 'a rig file, a file of tests, or a log of a meter')
    .option('--rig <file>', 'the rig file that tests or a log are of')
    .option('--test <id>', 'one test of the file, by its id')
    .option('--kind <kind>', 'what a log is of: cycling (default), run-down, charge, efficiency, dish')
    .option('--load <id>', 'the load that a log is of, by its id')
    .option('--supply <id>', 'the supply that a log is of, by its id')
    .option('--json', 'print it as JSON')
    .action(async (file: string, options: LogOptions) => {
      out(await logCommand(NUMBER_STYLE, file, options, err));
    });
}

/** A slip in the name of a field takes its number out of the check: it is kept, and named. */
function unknownFieldLines(rig: Rig): string {
  return unknownFieldsOf(rig)
    .map((path) => `Not a field of a rig file, so it is kept and not used: ${path}\n`)
    .join('');
}

/** What a terminal takes as a command, or as a turn of direction: names in a file may hold anything. */
const CONTROLS = /[\0-\x08\x0b-\x1f\x7f-\x9f\u202a-\u202e\u2066-\u2069]/g;
const HEX = 16;
const HEX_DIGITS = 4;

/** Writes controls as JSON writes them, so that they are seen and do nothing. */
function withoutControls({ out, err }: Output): Output {
  const plain = (text: string): string =>
    text.replace(CONTROLS, (each) => `\\u${each.charCodeAt(0).toString(HEX).padStart(HEX_DIGITS, '0')}`);
  return { out: (text) => out(plain(text)), err: (text) => err(plain(text)) };
}

function explainFailure(error: unknown, err: Output['err']): number {
  if (error instanceof CommanderError) return error.exitCode === 0 ? 0 : EXIT_BAD_INPUT;
  if (error instanceof BadInput) {
    err(`${error.message}\n`);
    return EXIT_BAD_INPUT;
  }
  err(`A defect in heliarch: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
  return EXIT_DEFECT;
}
