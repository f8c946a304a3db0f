import type { PlateManner, PlatePlace, PlateQuantity } from '../reference/plate-terms.js';
import type { NumberToken, PlateToken, WordToken } from './plate-tokens.js';

/** A number of a line with the words that belong to it. */
export interface BoundNumber {
  readonly number: NumberToken;
  /** Its place among the tokens of the line. */
  readonly at: number;
  readonly label: PlateQuantity | undefined;
  readonly place: PlatePlace | undefined;
  readonly manner: PlateManner | undefined;
  /** It and its words, as they stand. */
  readonly said: string;
}

/** Words that stand beside each other, and belong to one number. */
interface Run {
  readonly words: readonly WordToken[];
  /** The number before it and behind it, by their places among the numbers; undefined where there is none. */
  readonly before: number | undefined;
  readonly behind: number | undefined;
}

type Direction = 'behind' | 'before' | 'neither';
const DIRECTIONS: readonly Direction[] = ['behind', 'before', 'neither'];

/** What is left over, or does not go together, costs so much; the cheapest way to read a line is the one that counts. */
const COST = {
  label: 2,
  bareNumber: 2,
  twoRuns: 3,
  unlike: 4,
  placeBefore: 1,
  placeAlone: 2.5,
  manner: 1,
} as const;
/** More runs than this on one line are read as those before their numbers. */
const MOST_TRIED = 7;

/**
 * Which words of a line belong to which of its numbers: `RLA 11.2 LRA 58` and `11.2 RLA 58 LRA` are both written.
 * All ways are tried, and the one counts that leaves the least over.
 */
export function bindTokens(tokens: readonly PlateToken[]): readonly BoundNumber[] {
  const numbers = tokens.flatMap((token, at) => (token.is === 'number' ? [{ number: token, at }] : []));
  const runs = runsOf(tokens);
  const zipped = zippedRuns(runs, numbers.length);
  const ways = waysOf(runs);
  const best = ways.reduce<{ readonly way: readonly Direction[]; readonly cost: number } | undefined>(
    (least, way) => {
      const cost = costOf(
        way,
        runs,
        numbers.map(({ number }) => number),
      );
      return !least || cost < least.cost ? { way, cost } : least;
    },
    undefined,
  );
  const way = best?.way ?? [];
  return numbers.map(({ number, at }, index) => {
    const own = runs.filter((run, place) => numberOf(run, way[place]) === index);
    const words = zipped?.get(index) ?? own.flatMap((run) => run.words);
    const said = (from: 'before' | 'behind'): readonly string[] =>
      own.filter((run) => run[from] === index && !zipped).flatMap((run) => run.words.map(({ text }) => text));
    return {
      number,
      at,
      label: words.flatMap((word) => (word.is === 'label' ? [word.quantity] : [])).at(-1),
      place: placeOf(words) ?? scopeOf(index, runs, way),
      manner: words.flatMap((word) => (word.is === 'manner' ? [word.manner] : [])).at(0),
      said: [
        ...(zipped ? words.map(({ text }) => text) : said('behind')),
        number.text,
        ...said('before'),
      ].join(' '),
    };
  });
}

const placeOf = (words: readonly WordToken[]): PlatePlace | undefined =>
  words.flatMap((word) => (word.is === 'place' ? [word.place] : [])).at(-1);

function numberOf(run: Run, direction: Direction | undefined): number | undefined {
  return direction === 'behind' ? run.behind : direction === 'before' ? run.before : undefined;
}

function runsOf(tokens: readonly PlateToken[]): readonly Run[] {
  const runs: { words: WordToken[]; before: number | undefined; behind: number | undefined }[] = [];
  let numbers = 0;
  let open: (typeof runs)[number] | undefined;
  for (const token of tokens) {
    if (token.is === 'number') {
      if (open) open.behind = numbers;
      open = undefined;
      numbers += 1;
    } else if (token.is === 'label' || token.is === 'place' || token.is === 'manner') {
      if (!open) {
        open = { words: [], before: numbers > 0 ? numbers - 1 : undefined, behind: undefined };
        runs.push(open);
      }
      open.words.push(token);
    }
  }
  return runs;
}

/** Names first and their numbers behind them, as many: `VOLTS HZ PH 115 60 1`. */
function zippedRuns(
  runs: readonly Run[],
  numbers: number,
): ReadonlyMap<number, readonly WordToken[]> | undefined {
  const [only, ...others] = runs;
  const labels = only?.words.filter(({ is }) => is === 'label') ?? [];
  if (others.length > 0 || only?.behind !== 0 || labels.length < 2 || labels.length !== numbers)
    return undefined;
  return new Map(labels.map((label, index) => [index, [label]]));
}

function waysOf(runs: readonly Run[]): readonly (readonly Direction[])[] {
  const free = runs.length <= MOST_TRIED;
  return runs.reduce<readonly (readonly Direction[])[]>(
    (ways, run) => {
      const hasColon = run.words.at(-1)?.hasColon ?? false;
      const open = hasColon || !free ? DIRECTIONS.slice(0, 1) : DIRECTIONS;
      return ways.flatMap((way) => open.map((direction) => [...way, direction]));
    },
    [[]],
  );
}

function costOf(way: readonly Direction[], runs: readonly Run[], numbers: readonly NumberToken[]): number {
  const own = numbers.map((_, index) => runs.filter((run, place) => numberOf(run, way[place]) === index));
  const single = runs.reduce((sum, run, place) => {
    const index = numberOf(run, way[place]);
    return sum + runCost(run, way[place], index === undefined ? undefined : numbers[index]);
  }, 0);
  const twice = own.filter((both) =>
    SORTS.some((sort) => both.filter(({ words }) => words.some(({ is }) => is === sort)).length > 1),
  );
  const bare = numbers.filter(
    ({ unit }, index) => !unit && !own[index]?.some(({ words }) => words.some(({ is }) => is === 'label')),
  );
  return single + COST.twoRuns * twice.length + COST.bareNumber * bare.length;
}

/** Of each of these a number takes one. */
const SORTS = ['label', 'place', 'manner'] as const;

function runCost({ words }: Run, direction: Direction | undefined, number: NumberToken | undefined): number {
  const labels = words.flatMap((word) => (word.is === 'label' ? [word.quantity] : []));
  if (!number) {
    if (labels.length > 0) return COST.label;
    return words.some(({ is }) => is === 'place') ? COST.placeAlone : COST.manner;
  }
  const unlike = labels.some((label) => !goTogether(label, number)) ? COST.unlike : 0;
  const isPlaceBefore =
    direction === 'before' && labels.length === 0 && words.some(({ is }) => is === 'place');
  return unlike + (isPlaceBefore ? COST.placeBefore : 0);
}

const KIN: Readonly<Partial<Record<PlateQuantity, readonly PlateQuantity[]>>> = {
  amps: ['amps'],
  ratedLoadAmps: ['amps'],
  lockedRotorAmps: ['amps'],
  circuitAmps: ['amps'],
  fuseAmps: ['amps'],
  watts: ['watts', 'voltAmps', 'horsepower'],
  cooling: ['cooling', 'watts'],
  ampHours: ['ampHours', 'wattHours', 'watts', 'cooling'],
};

/** Whether a word can say what a number with such a unit is of. */
export function goTogether(label: PlateQuantity, { unit }: NumberToken): boolean {
  return !unit || unit.quantity === label || (KIN[label] ?? []).includes(unit.quantity);
}

/** A place holds for what follows it, up to the next; where it stands behind its numbers, for those before it. */
function scopeOf(index: number, runs: readonly Run[], way: readonly Direction[]): PlatePlace | undefined {
  const places = runs.flatMap((run, at) => {
    const place = placeOf(run.words);
    return place ? [{ place, run, isBehind: way[at] !== 'before' }] : [];
  });
  const ahead = places
    .filter(({ run, isBehind }) => isBehind && run.behind !== undefined && run.behind <= index)
    .at(-1);
  if (ahead) return ahead.place;
  return places.find(({ run, isBehind }) => !isBehind && run.before !== undefined && run.before >= index)
    ?.place;
}
