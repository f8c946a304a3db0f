import { SLOT_MINUTES } from '../../src/day/clock.js';
import { lossCurveOf } from '../../src/supply/efficiency-curve.js';
import { powerFlowsOf } from '../../src/outlook/supply/power-flows.js';
import type { Day, Rig } from '../../src/rig-file/schema.js';
import { clearSkyWPerM2, cloudFactor } from '../../src/solar/clear-sky.js';
import { compile } from '../../src/check/wiring/compile.js';
import { check } from '../../src/check/check.js';
import { getPosition } from 'suncalc';

/**
 * A plan replayed minute by minute, as simply as it can be said: what is on by the clock, the check of it in the order in
 * which it was switched on, and the charge by what the flows of that check come to. Nothing of the planner is used.
 */
export function replayed(
  rig: Rig,
  day: Day,
): { readonly troubles: readonly string[]; readonly lowestWh: number } {
  const compiled = compile(runningForTheirJobs(rig, day));
  const troubles = new Set<string>();
  const fullWh = rig.batteries[0]!.ampHours.value * rig.buses.find(({ kind }) => kind === 'dc')!.volts;
  let wh = (fullWh * (day.startPercent ?? 100)) / 100;
  let lowestWh = wh;
  const verdicts = new Map<string, ReturnType<typeof judged>>();
  for (let minute = 0; minute < 1440; minute += 1) {
    const supply = supplyAt(rig, day, minute);
    const on = day
      .plan!.filter(({ begin, minutes }) => minute >= begin && minute < begin + minutes)
      .sort((a, b) => a.begin - b.begin)
      .flatMap((placed) => loadAt(rig, day, placed, minute));
    const key = JSON.stringify([supply, on]);
    const now = verdicts.get(key) ?? judged(compiled, supply, on);
    verdicts.set(key, now);
    for (const trouble of now.troubles) troubles.add(`${minute}: ${trouble}`);
    const net = sunAt(rig, day, minute) + now.charged - now.drawn;
    // Charging losses and what a full battery does not take up.
    wh = Math.min(fullWh, wh + (net > 0 ? net * 0.97 : net * 1.02) / 60);
    lowestWh = Math.min(lowestWh, wh);
  }
  return { troubles: [...troubles], lowestWh };
}

function judged(
  compiled: ReturnType<typeof compile>,
  supply: string,
  on: readonly { load: string; state?: string }[],
) {
  const order = on.map(({ load, state }) => ({ load, state }));
  const result = check(compiled, { supply, on: order }, 'given');
  const again = result.restarts.filter(({ limit }) => limit.verdict !== 'holds');
  const flows = powerFlowsOf(result);
  return {
    troubles: [
      ...(on.length > 0 && result.verdict !== 'holds' ? [`${result.verdict}: ${result.decider?.id}`] : []),
      ...again.map(({ limit }) => `no restart: ${limit.id}`),
      ...result.notFed.map(({ load }) => `${load.id} is not fed`),
    ],
    drawn: meanOf(compiled, supply, order),
    charged: flows.toChargeW * 0.85,
  };
}

/** What a job runs for hours counts as running for hours. */
function runningForTheirJobs(rig: Rig, day: Day): Rig {
  const minutesOf = (id: string): number | undefined => day.jobs.find(({ load }) => load === id)?.minutes;
  return {
    ...rig,
    loads: rig.loads.map((load) => ({ ...load, runsMinutes: minutesOf(load.id) ?? load.runsMinutes })),
  };
}

/** Loads that cycle count with their share of the time, by what they add to those that do not. */
function meanOf(
  compiled: ReturnType<typeof compile>,
  supply: string,
  on: readonly { load: string; state?: string | undefined }[],
): number {
  const cyclingOf = (id: string) => compiled.rig.loads.find((load) => load.id === id)?.cycling;
  const { loads, circuits, buses, converters } = compiled.rig;
  const isMains = (id: string): boolean => {
    const circuit = circuits.find((each) => each.id === loads.find((load) => load.id === id)!.circuit)!;
    return buses.find((bus) => bus.id === circuit.bus)!.kind === 'ac';
  };
  // An inverter that is on and feeds nothing draws its idle power.
  const idle = (set: typeof on): number =>
    supply === 'battery' && !set.some(({ load }) => isMains(load)) ? lossCurveOf(converters[0]!).idleW : 0;
  const watts = (set: typeof on) =>
    powerFlowsOf(check(compiled, { supply, on: set })).fromBatteryW + idle(set);
  const steady = on.filter(({ load }) => !cyclingOf(load));
  const base = watts(steady);
  return on
    .filter(({ load }) => cyclingOf(load))
    .reduce((sum, each) => {
      const { onMinutes, offMinutes } = cyclingOf(each.load)!;
      return sum + (onMinutes / (onMinutes + offMinutes)) * (watts([...steady, each]) - base);
    }, base);
}

function loadAt(rig: Rig, day: Day, { job, begin }: NonNullable<Day['plan']>[number], minute: number) {
  const asked = day.jobs.find(({ id }) => id === job)!;
  const load = rig.loads.find(({ id }) => id === asked.load)!;
  if (asked.minutes !== undefined || !load.programme)
    return [{ load: load.id, ...(asked.state && { state: asked.state }) }];
  let end = begin;
  for (const { state, minutes } of load.programme.stages) {
    end += Math.ceil(minutes / SLOT_MINUTES) * SLOT_MINUTES;
    if (minute < end) return [{ load: load.id, state }];
  }
  return [];
}

function supplyAt(rig: Rig, day: Day, minute: number): string {
  const run = day.supplyRuns?.find(({ begin, minutes }) => minute >= begin && minute < begin + minutes);
  if (run) return run.supply;
  const clock = (480 + minute) % 1440;
  const of = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
  const there = day.supplies?.find(
    ({ use, from, until }) => use === 'connected' && clock >= of(from) && clock < of(until),
  );
  return there?.supply ?? rig.supplies.find(({ sources }) => sources.length === 0)!.id;
}

function sunAt(rig: Rig, day: Day, minute: number): number {
  const at = new Date(Date.parse(`${day.date}T08:00:00Z`) + (minute - day.hoursFromUtc! * 60) * 60_000);
  const altitude = (getPosition(at, day.latitude!, day.longitude!).altitude * Math.PI) / 180;
  const perM2 = clearSkyWPerM2(altitude) * cloudFactor(day.cloudOktas ?? 0);
  return rig.solar!.reduce(
    (sum, { stcW, chargerA }) => sum + Math.min((stcW.value * perM2 * 0.75) / 1000, chargerA! * 25.6),
    0,
  );
}
