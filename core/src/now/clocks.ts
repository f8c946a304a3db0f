import { restartWaitOf } from '../loads/start/restart-wait.js';
import { consumerOf } from '../loads/consumer.js';
import { systemOfLoad } from '../loads/voltage-of-load.js';
import { SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import { CONTINUOUS_MINUTES } from '../reference/breaker-curves.js';
import { PRESSURE_FALLS_S } from '../reference/rough-use.js';
import { loadOf } from '../rig/lookup.js';
import type { Load, Rig } from '../rig-file/schema.js';
import { mayStall } from '../check/limits/other-surges.js';
import type { LiveState } from './live-state.js';
import type { Overload } from './overloads.js';

/** Why a load that is off waits before it is switched on again. */
export interface RestartWait {
  /** Its own wait, or that of a soft starter; the pressure of its compressor; the inverter, after a start. */
  readonly why: 'restart' | 'pressure' | 'recovery';
  readonly untilS: number;
}

/**
 * Until when a load waits; undefined where it need not.
 *
 * @param nowS Seconds since 1970.
 * @param recoveryS The rest of the inverter between two starts, where its start takes a surge rating.
 * Source: as entered; reference/soft-starters.ts and rough-use.ts, common practice.
 */
export function waitOf(
  rig: Rig,
  at: Pick<LiveState, 'off' | 'surgeAtS'>,
  loadId: string,
  nowS: number,
  recoveryS?: number,
): RestartWait | undefined {
  const offAtS = at.off.find(({ load }) => load === loadId)?.atS;
  const stop = offAtS === undefined ? undefined : waitAfterStop(rig, loadOf(rig, loadId));
  const own: RestartWait | undefined =
    stop && offAtS !== undefined ? { why: stop.why, untilS: offAtS + stop.waitS } : undefined;
  const recovery: RestartWait | undefined =
    recoveryS === undefined || at.surgeAtS === undefined
      ? undefined
      : { why: 'recovery', untilS: at.surgeAtS + recoveryS };
  const waits = [own, recovery].flatMap((wait) => (wait && wait.untilS > nowS ? [wait] : []));
  return waits.reduce<RestartWait | undefined>(
    (longest, wait) => (longest && longest.untilS >= wait.untilS ? longest : wait),
    undefined,
  );
}

/**
 * How long a load waits after it lost its power or was switched off, s: its own wait or a soft starter's, else that of the
 * pressure of its compressor; undefined where it need not.
 *
 * Source: loads/start/restart-wait.ts; reference/rough-use.ts, common practice.
 */
export function waitAfterStop(
  rig: Rig,
  load: Load,
): { readonly why: 'restart' | 'pressure'; readonly waitS: number } | undefined {
  const waitS = restartWaitOf(load);
  if (waitS > 0) return { why: 'restart', waitS };
  return mayStall(consumerOf(load, systemOfLoad(rig, load)))
    ? { why: 'pressure', waitS: PRESSURE_FALLS_S }
    : undefined;
}

/** Something that ends at a moment. */
export interface Clock {
  readonly id: string;
  readonly of: 'wait' | 'timer' | 'stage' | 'three-hours' | 'overload';
  /** The load, or the part of the system, by its name. */
  readonly name: string;
  readonly loadId?: string;
  readonly endsS: number;
  readonly why?: RestartWait['why'];
  /** Which stage of a programme. */
  readonly stage?: string;
}

/**
 * Every clock that runs, the first to end first.
 *
 * @param nowS Seconds since 1970; waits and stages that ended before are left out, timers and overloads stay.
 * @param overloads What is carried for a while only, of what is on.
 */
export function clocksOf(
  rig: Rig,
  at: LiveState,
  nowS: number,
  overloads: readonly Overload[] = [],
): readonly Clock[] {
  return [
    ...waits(rig, at, nowS),
    ...at.timers.map(({ load, endsS }): Clock => ({
      id: `timer ${load}`,
      of: 'timer',
      name: loadOf(rig, load).name,
      loadId: load,
      endsS,
    })),
    ...stages(rig, at, nowS),
    ...overloads.map((overload) => overloadClock(at, overload)),
  ].sort((a, b) => a.endsS - b.endsS);
}

function waits(rig: Rig, at: LiveState, nowS: number): readonly Clock[] {
  return at.off.flatMap(({ load }) => {
    const wait = waitOf(rig, at, load, nowS);
    return wait
      ? [
          {
            id: `wait ${load}`,
            of: 'wait' as const,
            name: loadOf(rig, load).name,
            loadId: load,
            endsS: wait.untilS,
            why: wait.why,
          },
        ]
      : [];
  });
}

/** A programme goes through its stages from the moment it was switched on. */
function stages(rig: Rig, { on }: LiveState, nowS: number): readonly Clock[] {
  return on.flatMap(({ load, sinceS }) => {
    const { name, programme, states = [] } = loadOf(rig, load);
    let endsS = sinceS;
    for (const { state, minutes } of programme?.stages ?? []) {
      endsS += minutes * SECONDS_PER_MINUTE;
      if (endsS <= nowS) continue;
      const stage = states.find(({ id }) => id === state)?.name ?? state;
      return [{ id: `stage ${load}`, of: 'stage' as const, name, loadId: load, endsS, stage }];
    }
    return [];
  });
}

/** An overload lasts from when the last of its loads was switched on: what ran before was less. */
function overloadClock({ on }: LiveState, { elementId, name, kind, lastsS, loadIds }: Overload): Clock {
  const isIn = new Set(loadIds);
  const sinceS = Math.max(0, ...on.filter(({ load }) => isIn.has(load)).map((each) => each.sinceS));
  return {
    id: `${kind} ${elementId}`,
    of: kind,
    name,
    endsS: sinceS + (kind === 'three-hours' ? CONTINUOUS_MINUTES * SECONDS_PER_MINUTE : lastsS),
  };
}
