/** A linear constraint: a weighted sum of variables against a number. */
export interface Row {
  readonly terms: readonly Term[];
  readonly is: '<=' | '>=' | '=';
  readonly value: number;
}

export type Term = readonly [weight: number, variable: string];

/** A mixed-integer linear programme in the making. */
export interface Programme {
  readonly rows: readonly Row[];
  /** Bounds of variables that are not simply from 0 up. */
  readonly bounds: readonly {
    readonly variable: string;
    readonly from: number;
    readonly to: number;
  }[];
  /** Variables that are 0 or 1. */
  readonly binaries: readonly string[];
}

/** What a solver says of a programme. */
export interface Solved {
  readonly status: 'optimal' | 'infeasible' | 'unknown';
  readonly objective: number;
}

/** Solves a programme in the text form of linear programmes; it is handed in, for solvers are large. */
export type Solver = (text: string) => Solved;

/** Terms on one line, so that no line grows too long for a reader of the format. */
const TERMS_A_LINE = 8;

/**
 * A programme as text, in the format for linear programmes that solvers read.
 *
 * @param aim What is to be as large as it can.
 */
export function programmeText(aim: readonly Term[], { rows, bounds, binaries }: Programme): string {
  return [
    'Maximize',
    ` aim: ${sumText(aim)}`,
    'Subject To',
    ...rows.map(({ terms, is, value }, index) => ` r${index}: ${sumText(terms)} ${is} ${numberText(value)}`),
    'Bounds',
    ...bounds.map(({ variable, from, to }) => ` ${numberText(from)} <= ${variable} <= ${numberText(to)}`),
    ...(binaries.length > 0 ? ['Binary', ...binaries.map((name) => ` ${name}`)] : []),
    'End',
  ].join('\n');
}

function sumText(terms: readonly Term[]): string {
  if (terms.length === 0) return '0 nothing';
  return terms
    .map(([weight, variable], index) => {
      const sign = weight < 0 ? '-' : index === 0 ? '' : '+';
      const line = index > 0 && index % TERMS_A_LINE === 0 ? '\n  ' : '';
      return `${line}${sign} ${numberText(Math.abs(weight))} ${variable}`;
    })
    .join(' ');
}

const DIGITS = 6;
const numberText = (value: number): string => String(Number(value.toFixed(DIGITS)));
