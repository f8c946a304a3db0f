/** What is wrong with entered data, in words that name the field and the fix. */
export interface RigProblem {
  /** Where in the file, such as `loads[3].parts[0].runningW.value`. */
  readonly path: string;
  /** The same for a person: `Load "Kettle", running power`. */
  readonly field: string;
  /** What must change: `must be a number of W from 0 to 100000; found -5`. */
  readonly message: string;
  /** The id of another entry of the same list: it can be given one of its own. */
  readonly isRepeatedId?: true;
}

/** One sentence for a person. */
export function describeProblem(problem: RigProblem): string {
  return problem.field ? `${problem.field}: ${problem.message}.` : `${problem.message}.`;
}

const LONGEST_SHOWN = 40;

/** What was found instead, short enough to show. */
export function found(value: unknown): string {
  if (value === undefined || value === '') return '';
  if (typeof value === 'object' && value !== null)
    return Array.isArray(value) ? `; found a list of ${value.length}` : '; found a group of fields';
  const text = JSON.stringify(value);
  return `; found ${text.length > LONGEST_SHOWN ? `${text.slice(0, LONGEST_SHOWN)}…` : text}`;
}
