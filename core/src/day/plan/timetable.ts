import { bitsOf, common, minus, union } from '../../sets/bits.js';
import { storeAt, type BatteryStore } from '../../battery/battery-store.js';
import { chargeAfter, type DcPower } from '../../battery/charge-step.js';
import type { Interval } from '../../units/quantity.js';
import { HOURS_OF_A_SLOT } from '../clock.js';
import { chargeOfDay, type ChargeOfDay } from '../charge-of-day.js';
import type { DaySystem } from '../day-system.js';
import type { SetsOnSupply } from './sets-on-supply.js';
import type { Task } from '../tasks.js';

/** A stretch of a task in a plan, in steps. */
export interface Piece {
  readonly task: number;
  readonly begin: number;
  readonly slots: number;
  /** The user put it there: it is not moved. */
  readonly isPinned: boolean;
}

/** What a piece does not keep where it is tried. */
export type OutOfPlace = 'window' | 'order' | 'rest' | 'turns' | 'attended';

/** Why a piece does not fit where it is tried. */
export type Misfit =
  | { readonly by: OutOfPlace | 'no-supply'; readonly slot: number }
  | {
      readonly by: 'limit' | 'start';
      readonly slot: number;
      readonly supply: string;
      readonly states: number;
    };

/** How low the charge falls over a plan, and how it ends, Wh. */
export type Outcome = Pick<ChargeOfDay, 'lowestWh' | 'endWh'>;

interface ChargeSoFar extends ChargeOfDay {
  /** The lowest charge up to each step, and from each step on. */
  readonly lowestUntil: readonly number[];
  readonly lowestFrom: readonly number[];
}

/** For each step what came of it there, as its place among the outcomes. */
interface TriedInSteps {
  readonly going: Uint8Array;
  readonly starting: Uint8Array;
}

const NOT_TRIED = 0;
const OUTCOMES = [undefined, undefined, 'limit', 'start'] as const;

/** A plan in the making: what runs in each step, and on what. */
export class Timetable {
  /** Load states that run, by step. */
  private readonly masks: number[];
  /** Those of them that start in a step. */
  private readonly starting: number[];
  private readonly placed: Piece[] = [];
  /** What flows in each step, and the charge that comes of it, as long as nothing changes. */
  private readonly flows: (DcPower | undefined)[] = [];
  private known: ChargeSoFar | undefined;
  /** What came of trying load states in a step, as long as nothing changes there. */
  private readonly tried = new Map<number, TriedInSteps>();

  constructor(
    readonly system: DaySystem,
    /** What feeds each step: what is connected, or a generator that was started. */
    readonly supplies: readonly (string | undefined)[],
  ) {
    this.masks = new Array<number>(system.slots).fill(0);
    this.starting = new Array<number>(system.slots).fill(0);
  }

  get pieces(): readonly Piece[] {
    return this.placed;
  }

  /** What runs in a step, as a mask of load states. */
  runningAt(slot: number): number {
    return this.masks[slot] ?? 0;
  }

  /** What starts in a step. */
  startingAt(slot: number): number {
    return this.starting[slot] ?? 0;
  }

  piecesOf(task: number): readonly Piece[] {
    return this.placed.filter((piece) => piece.task === task);
  }

  place(piece: Piece): void {
    this.placed.push(piece);
    this.redraw(piece);
  }

  /** Takes a task out; what was pinned stays. */
  remove(task: number): readonly Piece[] {
    const gone = this.placed.filter((piece) => piece.task === task && !piece.isPinned);
    for (const piece of gone) this.placed.splice(this.placed.indexOf(piece), 1);
    for (const piece of gone) this.redraw(piece);
    return gone;
  }

  /**
   * Undefined where a piece fits: what runs holds all the while, and every start of it.
   *
   * @param keepsOrder Whether it has to stand behind what it comes after.
   */
  misfitOf(piece: Piece, keepsOrder = true): Misfit | undefined {
    const by = this.misplaced(piece, keepsOrder);
    return by ? { by, slot: piece.begin } : this.overloaded(piece);
  }

  /** The charge over the plan, with one piece more where one is given, or under another sky. */
  charge(more?: Piece, sky = this.system.sky.asEntered): ChargeOfDay {
    const { system } = this;
    const isKnown = !more && sky === system.sky.asEntered;
    const chargeOf = (store: BatteryStore): ChargeOfDay =>
      chargeOfDay(store, system.startWh, system.slots, (slot) =>
        isKnown ? this.flowAt(slot) : this.powerAt(slot, this.edge, sky, more),
      );
    const [least, ...others] = system.storesToLast;
    const charge = chargeOf(least);
    return { ...charge, endWh: Math.min(charge.endWh, ...others.map((store) => chargeOf(store).endWh)) };
  }

  /**
   * The charge with every draw read at an edge, under a sky, whatever the plan keeps to. A battery that holds less is drawn
   * down further, and one that holds more is charged up less: at each step the one that is against the plan counts, or
   * the one that is for it.
   */
  chargeAt(edge: keyof Interval, sky: readonly number[]): ChargeOfDay {
    const { store, startWh, slots } = this.system;
    const of = (held: BatteryStore): ChargeOfDay =>
      chargeOfDay(held, startWh, slots, (slot) => this.powerAt(slot, edge, sky));
    if (edge === 'stated') return of(store);
    const pick = edge === 'hi' ? Math.min : Math.max;
    const [least, most] = [of(storeAt(store, 'lo')), of(storeAt(store, 'hi'))];
    const wh = least.wh.map((each, slot) => pick(each, most.wh[slot] ?? each));
    const lowestWh = Math.min(...wh);
    return { ...least, wh, lowestWh, lowestAt: wh.indexOf(lowestWh), endWh: wh.at(-1) ?? startWh };
  }

  /** The charge as forecast. */
  chargeAsStated(): ChargeOfDay {
    return this.chargeAt('stated', this.system.sky.asEntered);
  }

  /**
   * How low the charge falls with one piece more, and how it ends: what `charge` says of it, counted from where the piece
   * begins.
   */
  outcomeWith(piece: Piece): Outcome {
    const { storesToLast, sky, slots } = this.system;
    const [store, ...others] = storesToLast;
    if (others.length > 0) return this.charge(piece);
    const before = this.chargeSoFar;
    let wh = before.wh[piece.begin] ?? before.endWh;
    let lowestWh = before.lowestUntil[piece.begin] ?? before.lowestWh;
    const end = piece.begin + piece.slots;
    for (let slot = piece.begin; slot < slots; slot += 1) {
      const power = slot < end ? this.powerAt(slot, this.edge, sky.asEntered, piece) : this.flowAt(slot);
      wh = chargeAfter(store, wh, power, HOURS_OF_A_SLOT).wh;
      // From here on all is as it was.
      if (slot >= end && wh === before.wh[slot + 1])
        return { lowestWh: Math.min(lowestWh, before.lowestFrom[slot + 1] ?? wh), endWh: before.endWh };
      lowestWh = Math.min(lowestWh, wh);
    }
    return { lowestWh, endWh: wh };
  }

  /** How every draw is read where the plan has to last. */
  get edge(): 'hi' | 'stated' {
    return this.system.edge === 'pessimistic' ? 'hi' : 'stated';
  }

  private get chargeSoFar(): ChargeSoFar {
    if (this.known) return this.known;
    const charge = this.charge();
    const lowestUntil: number[] = [];
    let low = Infinity;
    for (const wh of charge.wh) lowestUntil.push((low = Math.min(low, wh)));
    const lowestFrom = [...charge.wh];
    for (let slot = lowestFrom.length - 2; slot >= 0; slot -= 1)
      lowestFrom[slot] = Math.min(lowestFrom[slot] ?? Infinity, lowestFrom[slot + 1] ?? Infinity);
    this.known = { ...charge, lowestUntil, lowestFrom };
    return this.known;
  }

  private flowAt(slot: number): DcPower {
    return (this.flows[slot] ??= this.powerAt(slot, this.edge, this.system.sky.asEntered));
  }

  /** What flows on the DC side in a step. */
  powerAt(slot: number, edge: keyof Interval, sky: readonly number[], more?: Piece): DcPower {
    const solar = sky[slot] ?? 0;
    const driven = this.system.drivesW[slot] ?? 0;
    const sets = this.setsAt(slot);
    if (!sets) return { drawn: 0, charged: driven, solar };
    const { drawn, charged } = sets.power(this.withPiece(slot, more));
    return { drawn: drawn[edge], charged: charged + driven, solar };
  }

  /** The load states that run for a task in a step, as a mask. */
  runningBy(task: number, slot: number): number {
    return this.piecesOf(task)
      .filter((piece) => isWithinPiece(piece, slot))
      .reduce((mask, piece) => union(mask, this.stateOf(piece, slot)), 0);
  }

  /** What a task takes in a step in which it runs, as stated and as the mean over its cycles, W. */
  wattsOf(task: number, slot: number): number {
    return this.setsAt(slot)?.watts(this.runningBy(task, slot)) ?? 0;
  }

  setsAt(slot: number): SetsOnSupply | undefined {
    const supply = this.supplies[slot];
    return supply === undefined ? undefined : this.system.setsOn(supply);
  }

  /** Undefined where a piece lies within its window, behind what it comes after, and apart from others of its load. */
  misplaced({ task, begin, slots }: Piece, keepsOrder = true): OutOfPlace | undefined {
    const asked = this.taskAt(task);
    const end = begin + slots;
    if (!asked.windows.some(({ from, until }) => begin >= from && end <= until)) return 'window';
    const isEarly = asked.after.some((before) => !this.isOver(before, begin));
    const isLate = this.placed.some(
      (other) => this.taskAt(other.task).after.includes(task) && other.begin < end,
    );
    if (keepsOrder && (isEarly || isLate)) return 'order';
    const rest = Math.max(1, asked.restSlots);
    const isTooSoon = this.placed.some(
      (other) =>
        this.taskAt(other.task).load.id === asked.load.id &&
        begin < other.begin + other.slots + rest &&
        other.begin < end + rest &&
        !isContinued(other, task, begin, end),
    );
    return isTooSoon ? 'rest' : this.besideAnother(task, begin, end);
  }

  /** Whether something runs meanwhile that takes turns with it, or that needs the same pair of hands. */
  private besideAnother(task: number, begin: number, end: number): 'turns' | 'attended' | undefined {
    const { turns, attended } = this.taskAt(task).job;
    if (turns === undefined && attended !== 'yes') return undefined;
    const beside = this.placed
      .filter((other) => other.task !== task && begin < other.begin + other.slots && other.begin < end)
      .map((other) => this.taskAt(other.task).job);
    if (turns !== undefined && beside.some((job) => job.turns === turns)) return 'turns';
    return attended === 'yes' && beside.some((job) => job.attended === 'yes') ? 'attended' : undefined;
  }

  /** The same pieces, on the same supplies or on others, to be changed apart from these. */
  copy(supplies = this.supplies): Timetable {
    const copy = new Timetable(this.system, supplies);
    copy.placed.push(...this.placed);
    for (const [states, { going, starting }] of this.tried)
      copy.tried.set(states, { going: going.slice(), starting: starting.slice() });
    for (let slot = 0; slot < this.system.slots; slot += 1) {
      copy.masks[slot] = this.runningAt(slot);
      copy.starting[slot] = this.startingAt(slot);
      if (supplies[slot] === this.supplies[slot]) copy.flows[slot] = this.flows[slot];
      else for (const { going, starting } of copy.tried.values()) going[slot] = starting[slot] = NOT_TRIED;
    }
    if (supplies === this.supplies) copy.known = this.known;
    return copy;
  }

  /** Whether all that runs in a step holds there, and what starts in it. */
  holdsAt(slot: number): boolean {
    const running = this.runningAt(slot);
    if (running === 0) return true;
    const sets = this.setsAt(slot);
    return (
      sets !== undefined &&
      sets.holds(running) &&
      sets.startOrder(this.startingAt(slot), running) !== undefined
    );
  }

  private overloaded(piece: Piece): Misfit | undefined {
    for (let slot = piece.begin; slot < piece.begin + piece.slots; slot += 1) {
      const supply = this.supplies[slot];
      if (supply === undefined) return { by: 'no-supply', slot };
      const own = this.stateOf(piece, slot);
      // What another load would start is missed all the same where it is a job of its own.
      if (this.system.setsOn(supply).notFedOf(own) !== undefined)
        return { by: 'limit', slot, supply, states: own };
      const by = this.failureAt(slot, supply, own, this.startsOf(piece, slot));
      if (by) return { by, slot, supply, states: this.withPiece(slot, piece) };
    }
    return undefined;
  }

  /** Whether what runs in a step fails with these states on top, or what starts in it; remembered. */
  private failureAt(
    slot: number,
    supply: string,
    own: number,
    starts: number,
  ): 'limit' | 'start' | undefined {
    const tried = this.tried.get(own) ?? {
      going: new Uint8Array(this.system.slots),
      starting: new Uint8Array(this.system.slots),
    };
    this.tried.set(own, tried);
    // What goes on from the step before, and what begins as a whole; what does in part is rare.
    const known = starts === 0 ? tried.going : starts === own ? tried.starting : undefined;
    const code = known?.[slot];
    if (code) return OUTCOMES[code];
    const sets = this.system.setsOn(supply);
    const all = union(this.runningAt(slot), own);
    const isStarted = (): boolean => sets.startOrder(union(this.startingAt(slot), starts), all) !== undefined;
    const by = !sets.holds(all) ? 'limit' : isStarted() ? undefined : 'start';
    if (known) known[slot] = OUTCOMES.indexOf(by, 1);
    return by;
  }

  private isOver(task: number, slot: number): boolean {
    const pieces = this.piecesOf(task);
    return pieces.length > 0 && pieces.every(({ begin, slots }) => begin + slots <= slot);
  }

  /** Draws again what may have changed with a piece: its stretch, and the step behind it. */
  private redraw({ begin, slots }: Piece): void {
    for (let slot = begin; slot < Math.min(begin + slots + 1, this.system.slots); slot += 1) {
      const there = this.placed.filter((piece) => isWithinPiece(piece, slot));
      this.masks[slot] = there.reduce((mask, piece) => union(mask, this.stateOf(piece, slot)), 0);
      this.starting[slot] = there.reduce((mask, piece) => union(mask, this.startsOf(piece, slot)), 0);
      this.flows[slot] = undefined;
      for (const { going, starting } of this.tried.values()) going[slot] = starting[slot] = NOT_TRIED;
    }
    this.known = undefined;
  }

  private withPiece(slot: number, piece: Piece | undefined): number {
    const running = this.runningAt(slot);
    return piece && isWithinPiece(piece, slot) ? union(running, this.stateOf(piece, slot)) : running;
  }

  /** The load states of a piece in a step, as a mask. */
  private stateOf({ task, begin }: Piece, slot: number): number {
    const { stages } = this.taskAt(task);
    let end = begin;
    for (const { states, slots } of stages) {
      end += slots;
      if (slot < end) return states;
    }
    return stages.at(-1)?.states ?? 0;
  }

  /** What of a piece starts in a step: not where it goes on from the step before. */
  private startsOf(piece: Piece, slot: number): number {
    if (!isWithinPiece(piece, slot)) return 0;
    const own = this.stateOf(piece, slot);
    const before = slot > piece.begin ? this.stateOf(piece, slot - 1) : common(this.runningAt(slot - 1), own);
    return minus(own, before);
  }

  private taskAt(taskIndex: number): Task {
    const task = this.system.tasks[taskIndex];
    if (!task) throw new RangeError(`The day has no task ${taskIndex}`);
    return task;
  }
}

/** How many starts there are, those of work that is switched again and again included. */
export function startsOf(timetable: Timetable): number {
  const { supplies, pieces, system } = timetable;
  const begun = supplies.reduce((sum: number, _, slot) => sum + bitsOf(timetable.startingAt(slot)).length, 0);
  return pieces.reduce((sum, { task, slots }) => {
    const asked = system.tasks[task];
    return asked ? sum + ((asked.job.starts ?? 1) - 1) * (slots / asked.slots) : sum;
  }, begun);
}

const isWithinPiece = ({ begin, slots }: Piece, slot: number): boolean =>
  slot >= begin && slot < begin + slots;

/** Pieces of one task that touch are one run. */
const isContinued = (other: Piece, task: number, begin: number, end: number): boolean =>
  other.task === task && (other.begin + other.slots === begin || other.begin === end);
