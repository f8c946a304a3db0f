import type { Interval } from '../units/quantity.js';
import { common, union, bitAt, minus } from '../sets/bits.js';
import type { DcPower } from '../battery/charge-step.js';
import { chargeOfDay } from './charge-of-day.js';
import { SLOT_MINUTES, type Stretch } from './clock.js';
import { nightHours } from './night-hours.js';
import type { EnergyVerdict } from './day-plan.js';
import type { Piece, Timetable } from './plan/timetable.js';

/** What a job takes over a night. */
export interface NightTaker {
  readonly job: string;
  /** What is left in the morning without it, on top of what is left with it, Wh. */
  readonly savesWh: number;
}

/** A night of a plan: whether it lasts until morning, what takes most, and what is left for breakfast. */
export interface Night {
  /** Minutes from the beginning of the plan. */
  readonly from: number;
  readonly until: number;
  readonly verdict: EnergyVerdict;
  /** Charge when it begins and in the morning, Wh. */
  readonly beginsWh: number;
  readonly endsWh: Interval;
  /** What may be used of it before the reserve is reached, Wh. */
  readonly leftWh: Interval;
  /** When the reserve is reached, as forecast and at worst; undefined where it is not. */
  readonly reserveAt: number | undefined;
  readonly reserveAtWorst: number | undefined;
  /** What runs in it, the largest first. */
  readonly takers: readonly NightTaker[];
  /** With the inverter off and DC loads only; undefined where it feeds nothing, or is not what feeds. */
  readonly inverterOff: InverterOff | undefined;
}

export interface InverterOff {
  readonly endsWh: number;
  /** Jobs that do not run then. */
  readonly off: readonly string[];
}

/** The charge over a plan at each edge, Wh. */
type Charges = Readonly<Record<keyof Interval, readonly number[]>>;

/** The nights of a plan, Wh and minutes. Source: energy balance (physics). */
export function nightsOf(timetable: Timetable): readonly Night[] {
  const { day, sky } = timetable.system;
  const charges: Charges = {
    lo: timetable.chargeAt('hi', sky.atWorst).wh,
    stated: timetable.chargeAsStated().wh,
    hi: timetable.chargeAt('lo', sky.clear).wh,
  };
  return nightHours(day).map((night) => nightIn(timetable, night, charges));
}

function nightIn(timetable: Timetable, night: Stretch, charges: Charges): Night {
  const { store } = timetable.system;
  const at = (edge: keyof Interval, slot: number): number => charges[edge][slot] ?? 0;
  const [beginsWh, endsWh] = [at('stated', night.from), at('stated', night.until)];
  const ends = { lo: at('lo', night.until), stated: endsWh, hi: at('hi', night.until) };
  const left = (wh: number): number => Math.max(0, wh - store.reserveWh);
  const reached = (wh: readonly number[]): number | undefined => {
    const step = wh.slice(night.from, night.until + 1).findIndex((each) => each < store.reserveWh);
    return step < 0 ? undefined : (night.from + step) * SLOT_MINUTES;
  };
  const [reserveAt, reserveAtWorst] = [reached(charges.stated), reached(charges.lo)];
  return {
    from: night.from * SLOT_MINUTES,
    until: night.until * SLOT_MINUTES,
    verdict: reserveAt !== undefined ? 'runs-out' : reserveAtWorst === undefined ? 'lasts' : 'may-run-out',
    beginsWh,
    endsWh: ends,
    leftWh: { lo: left(ends.lo), stated: left(ends.stated), hi: left(ends.hi) },
    reserveAt,
    reserveAtWorst,
    takers: takersOf(timetable, night, beginsWh, endsWh),
    inverterOff: inverterOff(timetable, night, beginsWh),
  };
}

/** The charge in the morning where other powers flow in the night. */
function morningWh(
  { system }: Timetable,
  { from, until }: Stretch,
  beginsWh: number,
  powerAt: (slot: number) => DcPower,
): number {
  const { endWh } = chargeOfDay(system.store, beginsWh, until - from, (step) => powerAt(from + step));
  return endWh;
}

/** More than this is not worth a word, Wh. */
const LITTLE_WH = 5;

function takersOf(
  timetable: Timetable,
  night: Stretch,
  beginsWh: number,
  endsWh: number,
): readonly NightTaker[] {
  const { system } = timetable;
  const running = new Set(
    timetable.pieces.filter((piece) => isInNight(piece, night)).map(({ task }) => task),
  );
  const jobs = new Map<string, number[]>();
  for (const task of running) {
    const id = system.tasks[task]?.job.id ?? '';
    jobs.set(id, [...(jobs.get(id) ?? []), task]);
  }
  return [...jobs]
    .map(([job, tasks]) => {
      const own = (slot: number): number =>
        tasks.reduce((mask, task) => union(mask, timetable.runningBy(task, slot)), 0);
      const without = (slot: number): DcPower => powerWithout(timetable, slot, own(slot));
      return { job, savesWh: morningWh(timetable, night, beginsWh, without) - endsWh };
    })
    .filter(({ savesWh }) => savesWh > LITTLE_WH)
    .sort((a, b) => b.savesWh - a.savesWh);
}

const isInNight = ({ begin, slots }: Piece, { from, until }: Stretch): boolean =>
  begin < until && begin + slots > from;

/** What flows in a step without some load states. */
function powerWithout(timetable: Timetable, slot: number, gone: number): DcPower {
  const flow = timetable.powerAt(slot, 'stated', timetable.system.sky.asEntered);
  const sets = timetable.setsAt(slot);
  if (!sets) return flow;
  const drawn = (mask: number): number => sets.power(mask).drawn.stated;
  const running = timetable.runningAt(slot);
  return { ...flow, drawn: flow.drawn - drawn(running) + drawn(minus(running, gone)) };
}

/** Undefined where a source feeds in the night, or everything that runs in it runs on the inverter. */
function inverterOff(timetable: Timetable, night: Stretch, beginsWh: number): InverterOff | undefined {
  const { system } = timetable;
  const { compiled, states } = system;
  const steps = Array.from({ length: night.until - night.from }, (_, index) => night.from + index);
  const alone = compiled.rig.supplies.find(({ sources }) => sources.length === 0)?.id;
  if (alone === undefined || steps.some((slot) => timetable.supplies[slot] !== alone)) return undefined;
  const { fed } = compiled.on(alone);
  const onDc = states.reduce(
    (mask, { loadId }, state) => (fed.get(loadId)?.bus.kind === 'dc' ? union(mask, bitAt(state)) : mask),
    0,
  );
  const sets = system.setsOn(alone);
  const drawn = (mask: number): number => sets.power(mask).drawn.stated;
  const idleW = drawn(0);
  const endsWh = morningWh(timetable, night, beginsWh, (slot) => ({
    ...timetable.powerAt(slot, 'stated', system.sky.asEntered),
    drawn: drawn(common(timetable.runningAt(slot), onDc)) - idleW,
  }));
  const off = timetable.pieces
    .filter((piece) => isInNight(piece, night))
    .filter(({ task }) => (system.tasks[task]?.stages ?? []).some((stage) => minus(stage.states, onDc) !== 0))
    .map(({ task }) => system.tasks[task]?.job.id ?? '');
  return { endsWh, off: [...new Set(off)] };
}
