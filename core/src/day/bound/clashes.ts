import { union } from '../../sets/bits.js';
import type { DaySystem } from '../day-system.js';
import type { Task } from '../tasks.js';
import type { Constraint } from './constraint.js';

/** Tasks of which at most so many run at once. */
export interface Clash {
  readonly tasks: readonly number[];
  readonly atMost: number;
}

/** Sets of three are looked for among no more tasks than this. */
const MOST_FOR_THREES = 24;

/**
 * What can never run at once on a supply: cliques of pairs that do not hold, and sets of three that do not though each of
 * their pairs does. A task with several stages counts where all of them fail.
 *
 * @param those The tasks that count, as places.
 * @param without What is left out of account: what fails at once, or what must take turns.
 */
export function clashesOn(
  system: DaySystem,
  supply: string,
  those: readonly number[],
  without?: Constraint,
): readonly Clash[] {
  const sets = system.setsOn(supply);
  const known = new Map<number, boolean>();
  const holds = (mask: number): boolean => {
    const found = known.get(mask) ?? sets.holds(mask);
    known.set(mask, found);
    return found;
  };
  const never = (tasks: readonly number[]): boolean =>
    without !== 'limits' && masksOf(tasks.map((task) => system.tasks[task])).every((mask) => !holds(mask));
  const apart = those.map((a) =>
    those.map(
      (b) =>
        a !== b && ((without !== 'turns' && isKeptApart(system.tasks[a], system.tasks[b])) || never([a, b])),
    ),
  );
  return [...cliquesOf(those, apart), ...threesOf(those, apart, never)];
}

/** Every combination of their stages, as masks of what runs. */
function masksOf(tasks: readonly (Task | undefined)[]): readonly number[] {
  return tasks.reduce<readonly number[]>(
    (masks, task) => masks.flatMap((mask) => (task?.stages ?? []).map(({ states }) => union(mask, states))),
    [0],
  );
}

function isKeptApart(a: Task | undefined, b: Task | undefined): boolean {
  if (!a || !b) return false;
  const inTurns = a.job.turns !== undefined && a.job.turns === b.job.turns;
  const sameHands = a.job.attended === 'yes' && b.job.attended === 'yes';
  return a.load.id === b.load.id || inTurns || sameHands;
}

/** A clique for every pair that is apart, grown as far as it goes: few rows that say much. */
function cliquesOf(those: readonly number[], apart: readonly (readonly boolean[])[]): readonly Clash[] {
  const covered = new Set<string>();
  const cliques: Clash[] = [];
  those.forEach((_, a) =>
    those.forEach((__, b) => {
      if (b <= a || !apart[a]?.[b] || covered.has(`${a} ${b}`)) return;
      const clique = [a, b];
      those.forEach((___, c) => {
        if (!clique.includes(c) && clique.every((each) => apart[c]?.[each])) clique.push(c);
      });
      for (const one of clique) for (const other of clique) covered.add(`${one} ${other}`);
      cliques.push({ tasks: clique.map((taskIndex) => those[taskIndex] ?? 0), atMost: 1 });
    }),
  );
  return cliques;
}

function threesOf(
  those: readonly number[],
  apart: readonly (readonly boolean[])[],
  never: (tasks: readonly number[]) => boolean,
): readonly Clash[] {
  if (those.length > MOST_FOR_THREES) return [];
  const threes: Clash[] = [];
  for (let a = 0; a < those.length; a += 1)
    for (let b = a + 1; b < those.length; b += 1) {
      if (apart[a]?.[b]) continue;
      for (let c = b + 1; c < those.length; c += 1) {
        if (apart[a]?.[c] || apart[b]?.[c]) continue;
        const three = [a, b, c].map((taskIndex) => those[taskIndex] ?? 0);
        if (never(three)) threes.push({ tasks: three, atMost: 2 });
      }
    }
  return threes;
}
