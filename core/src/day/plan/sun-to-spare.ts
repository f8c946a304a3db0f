import { bitAt, MOST_IN_A_MASK, union } from '../../sets/bits.js';
import type { BatteryStore } from '../../battery/battery-store.js';
import { kindOfPart, type PartKind } from '../../reference/kinds-of-parts.js';
import type { Load } from '../../rig-file/schema.js';
import { chargeOfDay, type ChargeOfDay } from '../charge-of-day.js';
import { SLOT_MINUTES, whOf, type Stretch } from '../clock.js';
import { SetsOnSupply } from './sets-on-supply.js';
import type { LoadState } from '../tasks.js';
import type { Timetable } from './timetable.js';
import { isPlaced, lasts } from './worth-of-plan.js';

/** What can be switched on while sun is thrown away. */
export interface SunUse {
  /** Undefined where it is enough to unplug: what is planned then runs on the sun. */
  readonly load: string | undefined;
  /** Minutes from the beginning of the plan. */
  readonly from: number;
  readonly until: number;
  /** Sun that it saves from being thrown away, Wh. */
  readonly wh: number;
  /** It saves it only with the source unplugged meanwhile: on the battery. */
  readonly unplugged: boolean;
}

/** Sun below this is not worth a switch, W. */
const LEAST_W = 60;
const LEAST_SLOTS = 3;
const LEAST_WH = 100;
/** More suggestions than this are not read. */
const MOST_USES = 4;

/**
 * What to switch on while the battery is full and sun is thrown away: jobs and stores at hand that hold beside what is planned
 * then, with the source unplugged where that is what it takes; the one that saves most first. With each of them the battery lasts.
 *
 * @returns Wh and minutes. Source: energy balance (physics); what stores what it takes is common practice.
 */
export function sunToSpare(timetable: Timetable): readonly SunUse[] {
  const { curtailedW } = timetable.chargeAsStated();
  const stretches = stretchesOf(curtailedW.map((watts) => watts >= LEAST_W));
  const candidates = candidatesOf(timetable);
  const alone = timetable.system.compiled.rig.supplies.find(({ sources }) => sources.length === 0)?.id;
  const uses = stretches.flatMap((stretch) => [
    ...[...candidates.states.keys()].map(
      (stateIndex) =>
        useOf(timetable, candidates, stateIndex, stretch, undefined) ??
        useOf(timetable, candidates, stateIndex, stretch, alone),
    ),
    useOf(timetable, candidates, undefined, stretch, alone),
  ]);
  return bestOfEach(uses.flatMap((use) => use ?? [])).slice(0, MOST_USES);
}

interface Candidates {
  readonly states: readonly LoadState[];
  /** Ids of the loads that are at hand. */
  readonly atHand: ReadonlySet<string>;
  readonly setsOn: (supplyId: string) => SetsOnSupply;
}

/**
 * What is at hand, after the states that the plan asks for: loads that store what they take, and those of jobs without a
 * place, in full.
 */
function candidatesOf(timetable: Timetable): Candidates {
  const { system } = timetable;
  const { compiled, edge } = system;
  const isWanted = (load: Load): boolean =>
    system.tasks.some((task, taskIndex) => task.load.id === load.id && !isPlaced(timetable, taskIndex));
  const isKnown = (loadId: string): boolean =>
    system.states.some((state) => state.loadId === loadId && state.stateId === undefined);
  const atHand = compiled.rig.loads.filter(
    (load) => load.usage !== 'by-itself' && (stores(load) || isWanted(load)),
  );
  const more = atHand.filter(({ id }) => !isKnown(id)).map(({ id }) => ({ loadId: id, stateId: undefined }));
  const states = [...system.states, ...more].slice(0, MOST_IN_A_MASK);
  const known = new Map<string, SetsOnSupply>();
  return {
    states,
    atHand: new Set(atHand.map(({ id }) => id)),
    setsOn: (supplyId) => {
      const sets = known.get(supplyId) ?? new SetsOnSupply(compiled.on(supplyId), states, edge);
      known.set(supplyId, sets);
      return sets;
    },
  };
}

/** Cold, heat, compressed air, a tank of water, the batteries of tools: what they take now is not taken later. */
function stores({ parts }: Load): boolean {
  return parts.some(({ kind }) => {
    const { family } = kindOfPart(kind);
    return family === 'Compressors' || family === 'Heating' || OTHER_STORES.includes(kind);
  });
}

const OTHER_STORES: readonly PartKind[] = [
  'supply-with-correction',
  'supply-without-correction',
  'water-pump',
];

function isOnIn({ pieces, system }: Timetable, loadId: string, { from, until }: Stretch): boolean {
  return pieces.some(
    ({ task, begin, slots }) =>
      system.tasks[task]?.load.id === loadId && begin < until && begin + slots > from,
  );
}

/** Its longest stretch within one in which sun is thrown away; undefined where it saves little, or does not hold. */
function useOf(
  timetable: Timetable,
  { states, atHand, setsOn }: Candidates,
  stateIndex: number | undefined,
  stretch: Stretch,
  instead: string | undefined,
): SunUse | undefined {
  const load = stateIndex === undefined ? undefined : states[stateIndex]?.loadId;
  if (load !== undefined && (!atHand.has(load) || isOnIn(timetable, load, stretch))) return undefined;
  const own = stateIndex === undefined ? 0 : bitAt(stateIndex);
  const setsAt = (slot: number): SetsOnSupply | undefined => {
    const supply = instead ?? timetable.supplies[slot];
    return supply === undefined ? undefined : setsOn(supply);
  };
  const holdsAt = (slot: number): boolean => {
    const all = union(timetable.runningAt(slot), own);
    const sets = setsAt(slot);
    // Unplugged it makes sense as long as the sun carries it; and it may begin at any of these moments.
    const isCarried = instead === undefined || (sets?.power(all).drawn.stated ?? 0) <= sunAt(timetable, slot);
    return (
      sets !== undefined &&
      isCarried &&
      sets.holds(all) &&
      sets.startOrder(union(timetable.startingAt(slot), own), all) !== undefined
    );
  };
  const steps = Array.from({ length: stretch.until - stretch.from }, (_, index) => stretch.from + index);
  const longest = longestOf(stretchesOf(steps.map(holdsAt)));
  if (!longest || longest.until - longest.from < LEAST_SLOTS) return undefined;
  const from = stretch.from + longest.from;
  const until = Math.min(stretch.from + longest.until, from + usualSlots(timetable, load));
  const wh = savedWh(timetable, { from, until }, (slot) =>
    setsAt(slot)?.power(union(timetable.runningAt(slot), own)),
  );
  if (wh < LEAST_WH) return undefined;
  const unplugged = instead !== undefined && timetable.supplies[from] !== instead;
  return { load, from: from * SLOT_MINUTES, until: until * SLOT_MINUTES, wh, unplugged };
}

const sunAt = ({ system }: Timetable, slot: number): number => system.sky.asEntered[slot] ?? 0;

const longestOf = (stretches: readonly Stretch[]): Stretch | undefined =>
  [...stretches].sort((a, b) => b.until - b.from - (a.until - a.from))[0];

/** Nobody runs a kettle for hours: as long as its load usually runs, an hour where that is not known; what cycles, for good. */
function usualSlots({ system }: Timetable, loadId: string | undefined): number {
  const load = system.compiled.rig.loads.find(({ id }) => id === loadId);
  if (!load || load.cycling) return Infinity;
  return Math.max(LEAST_SLOTS, Math.round((load.runsMinutes ?? USUAL_MINUTES) / SLOT_MINUTES));
}

const USUAL_MINUTES = 60;

/** How much less sun is thrown away over the plan; nothing where the battery does not last with it. */
function savedWh(
  timetable: Timetable,
  { from, until }: Stretch,
  powerWith: (slot: number) => ReturnType<SetsOnSupply['power']> | undefined,
): number {
  const { system, edge } = timetable;
  const { sky, store, startWh, slots, drivesW } = system;
  const chargeAt = (at: typeof edge, held: BatteryStore): ChargeOfDay =>
    chargeOfDay(held, startWh, slots, (slot) => {
      const changed = slot >= from && slot < until ? powerWith(slot) : undefined;
      const flow = timetable.powerAt(slot, at, sky.asEntered);
      return changed
        ? { ...flow, drawn: changed.drawn[at], charged: changed.charged + (drivesW[slot] ?? 0) }
        : flow;
    });
  if (!system.storesToLast.every((held) => lasts(system, chargeAt(edge, held)))) return 0;
  return whOf(timetable.chargeAsStated().curtailedW) - whOf(chargeAt('stated', store).curtailedW);
}

/** The best stretch of each; a load that saves little beyond unplugging alone is no use of its own. */
function bestOfEach(uses: readonly SunUse[]): readonly SunUse[] {
  const best = new Map<string | undefined, SunUse>();
  for (const use of uses) if (use.wh > (best.get(use.load)?.wh ?? 0)) best.set(use.load, use);
  const unplugging = best.get(undefined)?.wh ?? 0;
  return [...best.values()]
    .filter(({ load, unplugged, wh }) => load === undefined || !unplugged || wh > unplugging + LEAST_WH)
    .sort((a, b) => Number(a.unplugged) - Number(b.unplugged) || b.wh - a.wh);
}

function stretchesOf(isIn: readonly boolean[]): readonly Stretch[] {
  const stretches: Stretch[] = [];
  isIn.forEach((is, slot) => {
    if (!is) return;
    const last = stretches.at(-1);
    if (last?.until === slot) stretches[stretches.length - 1] = { ...last, until: slot + 1 };
    else stretches.push({ from: slot, until: slot + 1 });
  });
  return stretches;
}
