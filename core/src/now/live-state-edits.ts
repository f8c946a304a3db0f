import { SECONDS_PER_MINUTE } from '../units/conversion-factors.js';
import { offWith, onWith } from '../rig/followers.js';
import { loadOf } from '../rig/lookup.js';
import type { Rig } from '../rig-file/schema.js';
import type { CheckScene } from '../check/situation.js';
import type { LiveState, MeterReading, SwitchedOn } from './live-state.js';

/** What was off for longer than this waits for nothing. */
const FORGOTTEN_AFTER_S = 86_400;

/**
 * A load is switched on, and with it what starts with it.
 *
 * @param nowS Seconds since 1970.
 * @param isSurge Whether its start takes a surge rating: clocks of the inverter begin then.
 */
export function withSwitchedOn(
  rig: Rig,
  at: LiveState,
  loadId: string,
  nowS: number,
  { state, isSurge = false }: { readonly state?: string | undefined; readonly isSurge?: boolean } = {},
): LiveState {
  const joining = onWith(rig, at.on, loadId);
  return {
    ...at,
    on: [
      ...at.on,
      ...joining.map((load): SwitchedOn => ({
        load,
        sinceS: nowS,
        ...(load === loadId && state !== undefined && { state }),
      })),
    ],
    off: at.off.filter(({ load }) => !joining.includes(load)),
    ...(isSurge && { surgeAtS: nowS }),
  };
}

/** A load is switched off, and with it what follows it and nothing else. */
export function withSwitchedOff(rig: Rig, at: LiveState, loadId: string, nowS: number): LiveState {
  const leaving = offWith(rig, at.on, loadId);
  const gone = at.on.filter(({ load }) => leaving.has(load));
  return {
    ...at,
    on: at.on.filter(({ load }) => !leaving.has(load)),
    off: [
      ...at.off.filter(({ load, atS }) => !leaving.has(load) && nowS - atS < FORGOTTEN_AFTER_S),
      ...gone.map(({ load }) => ({ load, atS: nowS })),
    ],
    timers: at.timers.filter(({ load }) => !leaving.has(load)),
  };
}

/** A load goes on in another state, from now on. */
export function withStateFrom(at: LiveState, loadId: string, state: string, nowS: number): LiveState {
  return {
    ...at,
    on: at.on.map((each) => (each.load === loadId ? { load: loadId, state, sinceS: nowS } : each)),
  };
}

/** These loads are on and no others; what was on goes on, what goes off waits as it would. */
export function withOnlyOn(rig: Rig, at: LiveState, wanted: CheckScene['on'], nowS: number): LiveState {
  const isWanted = new Set(wanted.map(({ load }) => load));
  const off = at.on
    .filter(({ load }) => !isWanted.has(load))
    .reduce((before, { load }) => withSwitchedOff(rig, before, load, nowS), at);
  return wanted.reduce((before, { load, state }) => {
    const now = before.on.find((each) => each.load === load);
    if (!now) return withSwitchedOn(rig, before, load, nowS, { state });
    return state === undefined || now.state === state ? before : withStateFrom(before, load, state, nowS);
  }, off);
}

/** Rings once a load has run so long. */
export function withTimer(at: LiveState, load: string, endsS: number | undefined): LiveState {
  const others = at.timers.filter((timer) => timer.load !== load);
  return { ...at, timers: endsS === undefined ? others : [...others, { load, endsS }] };
}

export function withMeterReadAt(at: LiveState, meter: MeterReading | undefined): LiveState {
  return { ...at, meter };
}

/** How long a load usually runs at a time, s: what a timer is offered with. */
export function usualRunS(rig: Rig, loadId: string): number | undefined {
  const { runsMinutes } = loadOf(rig, loadId);
  return runsMinutes === undefined ? undefined : runsMinutes * SECONDS_PER_MINUTE;
}
