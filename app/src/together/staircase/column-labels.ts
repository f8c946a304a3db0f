import type { Staircase } from '@heliarch/core/check';
import type { Layout } from './layout';

const LETTER_PX = 5.4;

export interface ColumnLabel {
  readonly x: number;
  readonly place: string;
  readonly lines: readonly string[];
}

/** What stands under each column: the place in the order and the name. */
export function columnLabels(staircase: Staircase, layout: Layout): readonly ColumnLabel[] {
  const { steps, atAnyMoment } = staircase;
  const { floorX, stepX, momentX = 0, column } = layout;
  return [
    ...(floorX === undefined ? [] : [floorLabel(staircase, floorX, column)]),
    ...steps.map(({ consumer, place }, index) =>
      columnLabel(consumer.load.name, `${place}`, stepX[index] ?? 0, column),
    ),
    ...atAnyMoment.map(({ consumer, again }, index) =>
      columnLabel(`${consumer.load.name}${again ? ' again' : ''}`, '', momentX + index * column, column),
    ),
  ];
}

function floorLabel({ floor }: Staircase, x: number, column: number): ColumnLabel {
  const [first] = floor.loads;
  if (floor.loads.length === 1 && first) return columnLabel(first.load.name, '', x, column);
  return { x: x + 3, place: '', lines: [`${floor.loads.length} self-`, 'starting'] };
}

/** A name in at most two lines that fit the column. */
function columnLabel(name: string, place: string, x: number, column: number): ColumnLabel {
  const letters = Math.max(4, Math.floor((column - 4) / LETTER_PX));
  const lines: string[] = [];
  for (const word of name.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= letters)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  const cut = lines
    .slice(0, 2)
    .map((line) => (line.length > letters + 1 ? `${line.slice(0, letters)}…` : line));
  if (lines.length > 2) cut[1] = `${(cut[1] ?? '').replace(/…$/, '')}…`;
  return { x: x + 3, place, lines: cut };
}
