import type { PlateToken } from './plate-tokens.js';

/** Tokens that are read together, with the line they began on. */
export interface PlateRow {
  readonly tokens: readonly PlateToken[];
  readonly line: number;
}

/**
 * Lines as rows: a name that stands alone is read with the number below it, and a row of names with the row of as many numbers
 * below it.
 */
export function joinedRows(lines: readonly (readonly PlateToken[])[]): readonly PlateRow[] {
  const rows: PlateRow[] = [];
  for (let index = 0; index < lines.length; index += 1) {
    const [tokens = [], below = []] = [lines[index], lines[index + 1]];
    const joined = inColumns(tokens, below);
    rows.push({ tokens: joined ?? tokens, line: index + 1 });
    if (joined) index += 1;
  }
  return rows;
}

/** Each name with the number below it; undefined where the two lines are not of each other. */
function inColumns(
  names: readonly PlateToken[],
  numbers: readonly PlateToken[],
): readonly PlateToken[] | undefined {
  const labels = names.filter(({ is }) => is === 'label');
  const values = numbers.filter(({ is }) => is === 'number');
  const isOfNames = names.every(({ is }) => is === 'label' || is === 'place' || is === 'manner');
  const isOfNumbers = numbers.every(({ is }) => is === 'number' || is === 'current');
  if (labels.length === 0 || labels.length !== values.length || !isOfNames || !isOfNumbers) return undefined;
  if (labels.length === 1) return [...names, ...numbers];
  return labels.flatMap((label, index) => {
    const value = values[index];
    return value ? [label.is === 'label' ? { ...label, hasColon: true } : label, value] : [];
  });
}
