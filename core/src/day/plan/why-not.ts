import { bitsOf } from '../../sets/bits.js';
import { check } from '../../check/check.js';
import { compareLimits } from '../../check/limits/limit-order.js';
import type { Limit } from '../../check/limits/limit.js';
import type { DaySystem } from '../day-system.js';
import { suppliesThatHold } from './generator-hours.js';
import type { Task } from '../tasks.js';
import { Timetable, type Misfit, type Piece } from './timetable.js';
import { isPlaced, lasts } from './worth-of-plan.js';

/** What keeps a task from beginning in a stretch of its windows. */
export interface Obstacle {
  /** Steps in which it may not begin, the end left out. */
  readonly from: number;
  readonly until: number;
  readonly by: Misfit['by'] | 'battery' | 'not-fed' | 'waits';
  /** The supply at hand, where it has a say. */
  readonly supply: string | undefined;
  /** What decides, where a limit does. */
  readonly limit: Limit | undefined;
}

/** Why a task has no place. */
export interface WhyNot {
  readonly task: number;
  /** Proved impossible: not even alone. Else none was found beside the others. */
  readonly answer: 'impossible' | 'not-found';
  readonly obstacles: readonly Obstacle[];
}

/** For every place where a task might begin, what is in the way: of one that does not even run alone, of it alone. */
export function whyNot(timetable: Timetable, task: number): WhyNot {
  const { system } = timetable;
  const waits = waitingFor(timetable, task);
  if (waits) return { task, answer: 'not-found', obstacles: [waits] };
  const alone = obstaclesAlone(system, task);
  const isImpossible = runsNowhere(system, task, alone);
  const obstacles = isImpossible ? alone : obstaclesIn(timetable, task);
  return {
    task,
    answer: isImpossible ? 'impossible' : 'not-found',
    obstacles: joined(obstacles.flatMap((each) => (each.by === 'none' ? [] : [{ ...each, by: each.by }]))),
  };
}

/** Whether a task has no place even alone: proved, whatever else is planned. */
export function isImpossible(system: DaySystem, task: number): boolean {
  return runsNowhere(system, task, obstaclesAlone(system, task));
}

const obstaclesAlone = (system: DaySystem, task: number): readonly AtBegin[] =>
  obstaclesIn(new Timetable(system, system.supplies.connected), task);

const runsNowhere = (system: DaySystem, task: number, alone: readonly AtBegin[]): boolean =>
  alone.every(({ by, from }) => by !== 'none' && !runsWithGenerator(system, task, from));

/** What comes after a task without a place has none either. */
function waitingFor(timetable: Timetable, taskIndex: number): Obstacle | undefined {
  const task = timetable.system.tasks[taskIndex];
  if (!task || task.after.every((before) => isPlaced(timetable, before))) return undefined;
  const [first, last] = [task.windows[0], task.windows.at(-1)];
  if (!first || !last) return undefined;
  return { from: first.from, until: last.until, by: 'waits', supply: undefined, limit: undefined };
}

/** Alone in the plan, with the generator wherever it may run and carries it, so that there is the most charge. */
function runsWithGenerator(system: DaySystem, taskIndex: number, begin: number): boolean {
  const { connected, ifNeeded } = system.supplies;
  const task = system.tasks[taskIndex];
  if (!task || ifNeeded.every((supply) => supply === undefined)) return false;
  const piece = { task: taskIndex, begin, slots: shortestOf(task), isPinned: false };
  const alone = new Timetable(system, connected);
  alone.place(piece);
  const having = new Timetable(system, suppliesThatHold(alone));
  return having.misfitOf(piece, false) === undefined && lasts(system, having.outcomeWith(piece));
}

/** The least that is worth a place. */
const shortestOf = ({ pieceSlots, leastSlots }: Task): number => Math.min(pieceSlots, leastSlots);

type AtBegin = Omit<Obstacle, 'by'> & { readonly by: Obstacle['by'] | 'none' };

function obstaclesIn(timetable: Timetable, taskIndex: number): readonly AtBegin[] {
  const task = timetable.system.tasks[taskIndex];
  if (!task) return [];
  const limitOf = decidingLimits(timetable.system);
  return task.windows.flatMap(({ from, until }) =>
    Array.from({ length: Math.max(0, until - from - shortestOf(task) + 1) }, (_, index): AtBegin => {
      const piece = { task: taskIndex, begin: from + index, slots: shortestOf(task), isPinned: false };
      return { from: from + index, until: from + index + 1, ...obstacleOf(timetable, piece, limitOf) };
    }),
  );
}

function obstacleOf(
  timetable: Timetable,
  piece: Piece,
  limitOf: (supply: string, states: number) => Limit | undefined,
): Pick<AtBegin, 'by' | 'supply' | 'limit'> {
  const misfit = timetable.misfitOf(piece, timetable.pieces.length > 0);
  if (!misfit) {
    const isEnough = lasts(timetable.system, timetable.outcomeWith(piece));
    return { by: isEnough ? 'none' : 'battery', supply: undefined, limit: undefined };
  }
  if (misfit.by !== 'limit' && misfit.by !== 'start')
    return { by: misfit.by, supply: timetable.supplies[misfit.slot], limit: undefined };
  const sets = timetable.system.setsOn(misfit.supply);
  const isFed = sets.notFedOf(misfit.states) === undefined;
  return {
    by: isFed ? misfit.by : 'not-fed',
    supply: misfit.supply,
    limit: isFed ? limitOf(misfit.supply, misfit.states) : undefined,
  };
}

/** The limit that decides a set, by the check itself. */
function decidingLimits({ compiled, states }: DaySystem) {
  const known = new Map<string, Limit | undefined>();
  return (supply: string, mask: number): Limit | undefined => {
    const key = `${supply} ${mask}`;
    if (!known.has(key)) {
      const on = bitsOf(mask).flatMap((state) => {
        const asked = states[state];
        return asked ? [{ load: asked.loadId, state: asked.stateId }] : [];
      });
      const { limits, restarts } = check(compiled, { supply, on }, 'any');
      known.set(key, [...limits, ...restarts.map(({ limit }) => limit)].sort(compareLimits)[0]);
    }
    return known.get(key);
  };
}

/** Neighbours with the same obstacle as one stretch. */
function joined(obstacles: readonly Obstacle[]): readonly Obstacle[] {
  return obstacles.reduce<readonly Obstacle[]>((all, each) => {
    const last = all.at(-1);
    const isSame =
      last?.until === each.from &&
      last.by === each.by &&
      last.supply === each.supply &&
      last.limit?.element.id === each.limit?.element.id &&
      last.limit?.kind === each.limit?.kind;
    return isSame ? [...all.slice(0, -1), { ...last, until: each.until }] : [...all, each];
  }, []);
}
