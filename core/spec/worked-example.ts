import { readFileSync } from 'node:fs';

/** As many as an example has; what is not there is undefined, and no number that a check could take. */
type Numbers = readonly [
  ...[number, number, number, number, number, number],
  ...[number, number, number, number, number, number],
];

interface WorkedExample {
  /** The numbers of what is given, in the order of the page. */
  readonly given: Numbers;
  /** What comes out, as the page has it. */
  readonly result: string;
  /** Expects what the code gives to be, rounded as the page rounds, every number of the result. */
  readonly comesTo: (...computed: readonly number[]) => void;
}

const PRINTED = /\d[\d,]*(?:\.\d+)?/g;
const ROWS = new Map(
  [...readFileSync('docs/methods.md', 'utf8').matchAll(/^\| (\d+\.\d+) +\|(.+)\|$/gm)].map(
    ([, number = '', cells = '']) => [number, cells.split('|').map((cell) => cell.trim())] as const,
  ),
);

/** The numbers of all worked examples of docs/methods.md. */
export const WORKED_EXAMPLES: readonly string[] = [...ROWS.keys()];

/** A worked example of docs/methods.md by its number: what is given and what comes out are read from the page. */
export function workedExample(number: string): WorkedExample {
  const [given, , result] = ROWS.get(number) ?? [];
  if (given === undefined || result === undefined)
    throw new Error(`docs/methods.md has no worked example ${number}.`);
  const printed = result.match(PRINTED) ?? [];
  return {
    given: (given.match(PRINTED) ?? []).map(valueOf) as unknown as Numbers,
    result,
    comesTo: (...computed) => {
      expect(computed.length).withContext(`numbers of example ${number}`).toBe(printed.length);
      printed.forEach((text, index) => {
        const digits = text.split('.')[1]?.length ?? 0;
        // A half is rounded either way.
        const isAsPrinted = Math.abs((computed[index] ?? NaN) - valueOf(text)) <= 0.5001 * 10 ** -digits;
        expect(isAsPrinted)
          .withContext(`example ${number} prints ${text}, computed ${computed[index]}`)
          .toBeTrue();
      });
    },
  };
}

function valueOf(text: string): number {
  return Number(text.replaceAll(',', ''));
}
