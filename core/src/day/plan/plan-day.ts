import { noProgress, type Progress } from '../../units/progress.js';
import type { Placement } from '../../rig-file/schema.js';
import { daysOf, SLOT_MINUTES, SLOTS_OF_A_DAY } from '../clock.js';
import type { DaySystem } from '../day-system.js';
import { gainfulGenerator, generatorMoved, shortestGenerator, suppliesThatHold } from './generator-hours.js';
import { placeTask } from './place-task.js';
import { randomNumbers, type RandomNumbers } from './random-numbers.js';
import { Timetable, type Piece } from './timetable.js';
import {
  amountDone,
  isAllDone,
  isPlaced,
  isWorthMore,
  lasts,
  worthOfPlan,
  type PlanWorth,
} from './worth-of-plan.js';

/** How much is tried, and from which random numbers. */
export interface PlanEffort {
  /** How often a part of the plan is taken out and put in anew. */
  readonly rounds?: number;
  readonly seed?: number;
}

/** For one day; of several days each round takes longer. */
const USUAL_ROUNDS = 180;
const USUAL_SEED = 1;
const MOST_TAKEN_OUT = 3;
/** How often other generator hours are tried. */
const GENERATOR_EVERY = 6;
/** How often room is made for what has no place. */
const SHARE_FOR_MISSING = 0.5;
/** How often what drains the battery goes elsewhere. */
const SHARE_FOR_LOWEST = 0.5;

/**
 * Plans a day: every moment holds and the battery lasts; then, the weightiest first, all musts, most of the rest, least of it
 * cut down, least generator, the highest lowest charge, most sun used as it comes, fewest starts. What is pinned stays.
 *
 * @param tell Told each better plan.
 * @param progress Told how much has been tried.
 * @returns Source: construction and large-neighbourhood search (Shaw 1998, from memory); docs/decisions/0012.
 */
export function planDay(
  system: DaySystem,
  { rounds = Math.ceil(USUAL_ROUNDS / daysOf(system.day)), seed = USUAL_SEED }: PlanEffort = {},
  tell: (best: Timetable) => void = () => undefined,
  progress: Progress = noProgress,
): Timetable {
  const random = randomNumbers(seed);
  let best = withLeastGenerator(system);
  let worth = worthOfPlan(best);
  // Plans of the same worth are gone on from too: a way to a better one may lead over them.
  let here = best;
  tell(best);
  for (let round = 0; round < rounds; round += 1) {
    const tried = anotherPlan(here, round, random);
    const worthOfTried = lasts(system, tried.charge()) ? worthOfPlan(tried) : NOTHING;
    if (!isWorthMore(worth, worthOfTried)) here = tried;
    if (isWorthMore(worthOfTried, worth)) {
      [best, worth] = [tried, worthOfTried];
      tell(best);
    }
    progress(round + 1, rounds);
  }
  return joined(shortestGenerator(generatorMoved(best)));
}

/** A plan that does not last is worth less than any that does. */
const NOTHING: PlanWorth = [-Infinity];

const anotherPlan = (from: Timetable, round: number, random: RandomNumbers): Timetable =>
  round % GENERATOR_EVERY === 0 ? withOtherGenerator(from, random) : withoutIdleGenerator(from, random);

/** Pieces of one task that touch, as one. */
function joined(from: Timetable): Timetable {
  const timetable = new Timetable(from.system, from.supplies);
  const pieces = [...from.pieces].sort((a, b) => a.task - b.task || a.begin - b.begin);
  const whole = pieces.reduce<readonly Piece[]>((all, piece) => {
    const last = all.at(-1);
    const goesOn =
      last?.task === piece.task &&
      last.begin + last.slots === piece.begin &&
      last.isPinned === piece.isPinned;
    return goesOn ? [...all.slice(0, -1), { ...last, slots: last.slots + piece.slots }] : [...all, piece];
  }, []);
  for (const piece of whole) timetable.place(piece);
  return timetable;
}

/** The generator runs only where it lets more be done, and then for as short as it can. */
function withLeastGenerator(system: DaySystem): Timetable {
  const { connected, ifNeeded } = system.supplies;
  const without = constructed(system, connected);
  const isEnough = isAllDone(without) && lasts(system, without.charge());
  if (isEnough || ifNeeded.every((supply) => supply === undefined)) return without;
  const having = without.copy(suppliesThatHold(without));
  placeAll(having, inTurn(system, choiceFirst(system)));
  const isBetter =
    lasts(system, having.charge()) &&
    (!lasts(system, without.charge()) ||
      isWorthMore(amountDone(worthOfPlan(having)), amountDone(worthOfPlan(without))));
  return isBetter ? leastGenerator(having) : without;
}

/** The tasks one after the other: musts, and what has the least choice, first. */
function constructed(system: DaySystem, supplies: Timetable['supplies']): Timetable {
  const timetable = new Timetable(system, supplies);
  for (const piece of pinnedPieces(system)) timetable.place(piece);
  placeAll(timetable, inTurn(system, choiceFirst(system)));
  return timetable;
}

function placeAll(timetable: Timetable, order: readonly number[]): void {
  for (const task of order) if (!isPlaced(timetable, task)) placeTask(timetable, task);
}

/** Another plan: some tasks, and what comes after them, are taken out, and all that is missing is put in anew. */
function repaired(from: Timetable, random: RandomNumbers, supplies = from.supplies): Timetable {
  const { system } = from;
  const timetable = from.copy(supplies);
  const missing = oneOf(
    [...system.tasks.keys()].filter((task) => !isPlaced(from, task)),
    random,
  );
  if (missing !== undefined && random() < SHARE_FOR_MISSING) makeRoom(timetable, missing, random);
  else if (random() < SHARE_FOR_LOWEST) takeOutBeforeLowest(timetable, random);
  else takeSomeOut(timetable, random);
  const order = [...system.tasks.keys()].sort(() => random() - 0.5);
  placeAll(timetable, inTurn(system, musts(system, order)));
  return timetable;
}

/** What draws on the way down to the lowest charge, so that it goes elsewhere. */
function takeOutBeforeLowest(timetable: Timetable, random: RandomNumbers): void {
  const { system, pieces } = timetable;
  const { lowestAt: until } = timetable.charge();
  const drawing = pieces.filter(({ begin, slots }) => begin < until && slots < SLOTS_OF_A_DAY / 2);
  for (let taken = Math.ceil(random() * MOST_TAKEN_OUT); taken > 0; taken -= 1) {
    const piece = oneOf(drawing, random);
    if (piece) for (const each of withFollowers(system, piece.task)) timetable.remove(each);
  }
}

function takeSomeOut(timetable: Timetable, random: RandomNumbers): void {
  const { system } = timetable;
  for (let taken = Math.ceil(random() * MOST_TAKEN_OUT); taken > 0; taken -= 1) {
    const task = oneOf([...system.tasks.keys()], random);
    if (task === undefined) return;
    for (const each of withFollowers(system, task)) timetable.remove(each);
  }
}

/** Where a job has gone somewhere else, the generator may not be needed any more. */
function withoutIdleGenerator(from: Timetable, random: RandomNumbers): Timetable {
  const tried = repaired(from, random);
  return hasGenerator(tried) ? shortestGenerator(tried) : tried;
}

/** The better of two ways to have it on for as short as may be. */
function leastGenerator(timetable: Timetable): Timetable {
  const [short, gainful] = [shortestGenerator(timetable), gainfulGenerator(timetable)];
  return isWorthMore(worthOfPlan(gainful), worthOfPlan(short)) ? gainful : short;
}

const hasGenerator = ({ supplies, system }: Timetable): boolean =>
  supplies.some((supply, slot) => supply !== system.supplies.connected[slot]);

/** The same with other generator hours: where it may run and carries what is planned, then for as short as it can. */
function withOtherGenerator(from: Timetable, random: RandomNumbers): Timetable {
  const { ifNeeded } = from.system.supplies;
  if (isAllDone(from) || ifNeeded.every((supply) => supply === undefined)) return repaired(from, random);
  return generatorMoved(leastGenerator(repaired(from, random, suppliesThatHold(from))));
}

/** A task that has no place is put where it would run, and what is in its way is taken out. */
function makeRoom(timetable: Timetable, missing: number, random: RandomNumbers): void {
  const { system } = timetable;
  const task = system.tasks[missing];
  const window = task && oneOf(task.windows, random);
  if (!window || window.until - window.from < task.pieceSlots) return;
  const begin = window.from + Math.floor(random() * (window.until - window.from - task.slots + 1));
  const inTheWay = timetable.pieces.filter(
    (piece) =>
      piece.slots < SLOTS_OF_A_DAY / 2 &&
      piece.begin < begin + task.slots &&
      begin < piece.begin + piece.slots,
  );
  for (const piece of inTheWay) for (const each of withFollowers(system, piece.task)) timetable.remove(each);
  placeTask(timetable, missing);
}

/** Undefined where there is nothing to choose from. */
const oneOf = <T>(among: readonly T[], random: RandomNumbers): T | undefined =>
  among[Math.floor(random() * among.length)];

const RANK = { must: 0, should: 1, may: 2 } as const;

const musts = (system: DaySystem, order: readonly number[]): readonly number[] =>
  [...order].sort((a, b) => rankOf(system, a) - rankOf(system, b));

const rankOf = ({ tasks }: DaySystem, task: number): number => RANK[tasks[task]?.job.importance ?? 'should'];

/** By importance, then by how little choice there is, then the longest. */
function choiceFirst(system: DaySystem): readonly number[] {
  const choice = (taskIndex: number): number => {
    const { windows = [], pieceSlots = 0 } = system.tasks[taskIndex] ?? {};
    return windows.reduce((sum, { from, until }) => sum + Math.max(0, until - from - pieceSlots + 1), 0);
  };
  const isAllDay = (taskIndex: number): number =>
    (system.tasks[taskIndex]?.slots ?? 0) >= SLOTS_OF_A_DAY ? 0 : 1;
  return [...system.tasks.keys()].sort(
    (a, b) =>
      rankOf(system, a) - rankOf(system, b) || isAllDay(a) - isAllDay(b) || choice(a) - choice(b) || a - b,
  );
}

/** Each task behind what it comes after. */
function inTurn({ tasks }: DaySystem, order: readonly number[]): readonly number[] {
  const placed = new Set<number>();
  const visit = (task: number): void => {
    if (placed.has(task)) return;
    placed.add(task);
    for (const before of tasks[task]?.after ?? []) visit(before);
    sorted.push(task);
  };
  const sorted: number[] = [];
  order.forEach(visit);
  return sorted;
}

function withFollowers({ tasks }: DaySystem, task: number): readonly number[] {
  const followers = [...tasks.keys()].filter((other) => tasks[other]?.after.includes(task));
  return [...followers, task];
}

/** What the user put in its place. */
function pinnedPieces({ day, tasks }: DaySystem): readonly Piece[] {
  return piecesOf(
    tasks,
    (day.plan ?? []).filter(({ pinned }) => pinned === 'yes'),
  );
}

/** Placements as pieces; of what is done several times each goes to the first that is not yet whole. */
function piecesOf(tasks: DaySystem['tasks'], placements: readonly Placement[]): readonly Piece[] {
  const filled = new Map<number, number>();
  return placements.flatMap((placed): readonly Piece[] => {
    const all = [...tasks.keys()].filter((task) => isOf(tasks[task], placed));
    const isOpen = (task: number): boolean => (filled.get(task) ?? 0) < (tasks[task]?.slots ?? 0);
    const task = all.find(isOpen) ?? all[0];
    const asked = task === undefined ? undefined : tasks[task];
    if (task === undefined || !asked) return [];
    const isWhole = asked.pieceSlots === asked.slots && asked.leastSlots === asked.slots;
    // What is in one piece is as long as the job asks for by now.
    const slots = isWhole ? asked.slots : Math.ceil(placed.minutes / SLOT_MINUTES);
    const isCut = !isWhole && asked.pieceSlots === asked.slots;
    filled.set(task, isCut ? asked.slots : (filled.get(task) ?? 0) + slots);
    return [
      { task, begin: Math.round(placed.begin / SLOT_MINUTES), slots, isPinned: placed.pinned === 'yes' },
    ];
  });
}

const isOf = (task: DaySystem['tasks'][number] | undefined, { job, onDay }: Placement): boolean =>
  task?.job.id === job && (task.job.repeats !== 'daily' || task.onDay === onDay);

/** A plan as it stands in the file, as a timetable on what is connected and the generator hours that it has. */
export function timetableOf(system: DaySystem, supplies: Timetable['supplies']): Timetable {
  const timetable = new Timetable(system, supplies);
  for (const piece of piecesOf(system.tasks, system.day.plan ?? [])) timetable.place(piece);
  return timetable;
}

/** A plan as it is kept in the file. */
export function placementsOf({ system, pieces }: Timetable): readonly Placement[] {
  return [...pieces]
    .sort((a, b) => a.begin - b.begin || a.task - b.task)
    .flatMap(({ task, begin, slots, isPinned }) => {
      const asked = system.tasks[task];
      return asked
        ? [
            {
              job: asked.job.id,
              ...(asked.onDay !== undefined && asked.job.repeats === 'daily' && { onDay: asked.onDay }),
              begin: begin * SLOT_MINUTES,
              minutes: slots * SLOT_MINUTES,
              ...(isPinned && { pinned: 'yes' as const }),
            },
          ]
        : [];
    });
}
