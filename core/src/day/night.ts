import type { Interval } from '../quantity/quantity.js';
import { common, union, bitAt, minus } from '../sets/bits.js';
import { chargeAfter, type DcPower } from '../energy/charge-step.js';
import { HOURS_OF_A_SLOT, SLOT_MINUTES, stretchesBetween, type Stretch } from './clock.js';
import { nightOf } from './tasks.js';
import type { EnergyVerdict } from './day-plan.js';
import type { Piece, Timetable } from './timetable.js';

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

type Sky = 'asEntered' | 'atWorst' | 'clear';

/** The nights of a plan. Source: energy balance (physics). */
export function nightsOf(timetable: Timetable): readonly Night[] {
  const { day, slots } = timetable.system;
  const { from, until } = nightOf(day);
  return stretchesBetween(day, from, until)
    .map((night) => ({ from: night.from, until: Math.min(slots, night.until) }))
    .filter((night) => night.until > night.from)
    .map((night) => nightIn(timetable, night));
}

function nightIn(timetable: Timetable, night: Stretch): Night {
  const { store } = timetable.system;
  const traces: Readonly<Record<keyof Interval, readonly number[]>> = {
    lo: traceOf(timetable, night, 'hi', 'atWorst'),
    stated: traceOf(timetable, night, 'stated', 'asEntered'),
    hi: traceOf(timetable, night, 'lo', 'clear'),
  };
  const end = (wh: readonly number[]): number => wh.at(-1) ?? 0;
  const ends = { lo: end(traces.lo), stated: end(traces.stated), hi: end(traces.hi) };
  const left = (wh: number): number => Math.max(0, wh - store.reserveWh);
  const reached = (wh: readonly number[]): number | undefined => {
    const step = wh.findIndex((each) => each < store.reserveWh);
    return step < 0 ? undefined : (night.from + step) * SLOT_MINUTES;
  };
  const [reserveAt, reserveAtWorst] = [reached(traces.stated), reached(traces.lo)];
  return {
    from: night.from * SLOT_MINUTES,
    until: night.until * SLOT_MINUTES,
    verdict: reserveAt !== undefined ? 'runs-out' : reserveAtWorst === undefined ? 'lasts' : 'may-run-out',
    beginsWh: traces.stated[0] ?? 0,
    endsWh: ends,
    leftWh: { lo: left(ends.lo), stated: left(ends.stated), hi: left(ends.hi) },
    reserveAt,
    reserveAtWorst,
    takers: takersOf(timetable, night, ends.stated),
    inverterOff: inverterOff(timetable, night),
  };
}

/** Charge from the beginning of a night to its end. */
function traceOf(timetable: Timetable, night: Stretch, edge: keyof Interval, sky: Sky): readonly number[] {
  const under = timetable.system.sky[sky];
  return overNight(timetable, night, startOf(timetable, night, edge, sky), (slot) =>
    timetable.powerAt(slot, edge, under),
  );
}

function startOf(timetable: Timetable, { from }: Stretch, edge: keyof Interval, sky: Sky): number {
  const { system } = timetable;
  let wh = system.startWh;
  for (let slot = 0; slot < from; slot += 1)
    wh = chargeAfter(system.store, wh, timetable.powerAt(slot, edge, system.sky[sky]), HOURS_OF_A_SLOT).wh;
  return wh;
}

function overNight(
  { system }: Timetable,
  { from, until }: Stretch,
  startWh: number,
  powerAt: (slot: number) => DcPower,
): readonly number[] {
  const wh = [startWh];
  let now = startWh;
  for (let slot = from; slot < until; slot += 1)
    wh.push((now = chargeAfter(system.store, now, powerAt(slot), HOURS_OF_A_SLOT).wh));
  return wh;
}

/** More than this is not worth a word, Wh. */
const LITTLE_WH = 5;

function takersOf(timetable: Timetable, night: Stretch, endsWh: number): readonly NightTaker[] {
  const { system } = timetable;
  const startWh = startOf(timetable, night, 'stated', 'asEntered');
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
      const without = overNight(timetable, night, startWh, (slot) => powerWith(timetable, slot, own(slot)));
      return { job, savesWh: (without.at(-1) ?? 0) - endsWh };
    })
    .filter(({ savesWh }) => savesWh > LITTLE_WH)
    .sort((a, b) => b.savesWh - a.savesWh);
}

const isInNight = ({ begin, slots }: Piece, { from, until }: Stretch): boolean =>
  begin < until && begin + slots > from;

/** What flows in a step without some load states. */
function powerWith(timetable: Timetable, slot: number, gone: number): DcPower {
  const flow = timetable.powerAt(slot, 'stated', timetable.system.sky.asEntered);
  const sets = timetable.setsAt(slot);
  if (!sets) return flow;
  const drawn = (mask: number): number => sets.power(mask).drawn.stated;
  const running = timetable.runningAt(slot);
  return { ...flow, drawn: flow.drawn - drawn(running) + drawn(minus(running, gone)) };
}

/** Undefined where a source feeds in the night, or everything that runs in it runs on the inverter. */
function inverterOff(timetable: Timetable, night: Stretch): InverterOff | undefined {
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
  const ends = overNight(timetable, night, startOf(timetable, night, 'stated', 'asEntered'), (slot) => ({
    ...timetable.powerAt(slot, 'stated', system.sky.asEntered),
    drawn: drawn(common(timetable.runningAt(slot), onDc)) - idleW,
  }));
  const off = timetable.pieces
    .filter((piece) => isInNight(piece, night))
    .filter(({ task }) => (system.tasks[task]?.stages ?? []).some((stage) => minus(stage.states, onDc) !== 0))
    .map(({ task }) => system.tasks[task]?.job.id ?? '');
  return { endsWh: ends.at(-1) ?? 0, off: [...new Set(off)] };
}
