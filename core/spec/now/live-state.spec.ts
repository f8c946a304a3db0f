import { nothingOn, readLiveState, sceneOf, type LiveState } from '../../src/now/live-state.js';
import { withOnlyOn, withSwitchedOff, withSwitchedOn, withTimer } from '../../src/now/live-state-edits.js';
import { clocksOf, waitOf } from '../../src/now/clocks.js';
import { overloadsOf } from '../../src/now/overloads.js';
import { newTrip } from '../../src/now/trip/trip-edits.js';
import { compile } from '../../src/check/wiring/compile.js';
import type { Load } from '../../src/rig-file/schema.js';
import { demoRig } from '../demo-rigs.js';

const rig = demoRig('tern');
const T = 1_780_000_000;
/** After the reading that the demo rig brings. */
const LATER = 1_790_000_000;

/** The kettle drawing what kettle and oven draw together. */
const asOne = (load: Load): Load =>
  load.id === 'kettle'
    ? {
        ...load,
        parts: load.parts.map((part) => ({ ...part, runningW: { value: 2880, basis: 'measured' as const } })),
      }
    : load;

describe('own ticks', () => {
  it('survive being kept and read again, without what the rig no longer has', () => {
    let at: LiveState = { ...nothingOn(rig), supply: 'shore-30', charge: { percent: 82, atS: LATER } };
    at = withSwitchedOn(rig, at, 'hob', T, { state: 'low', isSurge: true });
    at = withSwitchedOff(rig, withSwitchedOn(rig, at, 'fridge', T), 'fridge', T + 60);
    const kept: unknown = JSON.parse(JSON.stringify(at));
    expect(readLiveState(kept, rig)).toEqual(at);
    const older = { ...at, charge: { percent: 82, atS: 0 } };
    expect(readLiveState(older, rig)?.charge).toEqual(nothingOn(rig).charge);
    const smaller = { ...rig, loads: rig.loads.filter(({ id }) => id !== 'hob') };
    expect(readLiveState(kept, smaller)?.on).toEqual([]);
    expect(readLiveState({ on: 'everything' }, rig)).toBeUndefined();
    expect(sceneOf(at)).toEqual({
      supply: 'shore-30',
      on: [{ load: 'hob', state: 'low' }],
      charge: { percent: 82, readAt: new Date(LATER * 1000).toISOString().replace('.000', '') },
    });
  });

  it('switch what follows a load with it, and say which of them was started last', () => {
    const tied = { ...rig, ties: [{ leader: 'bandsaw', follower: 'extractor', delayS: 0 }] };
    const at = withSwitchedOn(tied, withSwitchedOn(tied, nothingOn(tied), 'kettle', T), 'bandsaw', T + 30);
    expect(at.on.map(({ load }) => load)).toEqual(['kettle', 'bandsaw', 'extractor']);
    expect(newTrip(tied, at, T + 60).started).toBe('bandsaw');
    expect(newTrip(tied, at, T + 7200).started).toBeUndefined();
    expect(withSwitchedOff(tied, at, 'bandsaw', T + 90).on.map(({ load }) => load)).toEqual(['kettle']);
    const begun = withOnlyOn(rig, nothingOn(rig), [{ load: 'kettle' }, { load: 'hob' }], T);
    expect(newTrip(rig, begun, T + 1).started).toBeUndefined();
  });
});

describe('clocks', () => {
  it('count from the moment a load went off, so sleep and a reload lose nothing', () => {
    const off = withSwitchedOff(rig, withSwitchedOn(rig, nothingOn(rig), 'roof-air', T), 'roof-air', T + 100);
    const wait = waitOf(rig, off, 'roof-air', T + 101)!;
    expect(wait.why).toBe('restart');
    expect(clocksOf(rig, off, T + 101).map(({ id, endsS }) => [id, endsS])).toEqual([
      ['wait roof-air', wait.untilS],
    ]);
    expect(waitOf(rig, off, 'roof-air', wait.untilS)).toBeUndefined();
  });

  it('let the pressure of a compressor without a soft starter fall for three minutes (common practice)', () => {
    const off = withSwitchedOff(rig, withSwitchedOn(rig, nothingOn(rig), 'fridge', T), 'fridge', T);
    expect(waitOf(rig, off, 'fridge', T + 1)).toEqual({ why: 'pressure', untilS: T + 180 });
  });

  it('let the inverter rest after a start that took its surge rating', () => {
    const at = withSwitchedOn(rig, nothingOn(rig), 'bandsaw', T, { isSurge: true });
    expect(waitOf(rig, at, 'air-compressor', T + 20, 60)).toEqual({ why: 'recovery', untilS: T + 60 });
    expect(waitOf(rig, at, 'kettle', T + 20)).toBeUndefined();
  });

  it('go through the stages of a programme, and ring for what was timed', () => {
    const at = withTimer(withSwitchedOn(rig, nothingOn(rig), 'varnish-cabinet', T), 'varnish-cabinet', T + 5);
    const [first] = rig.loads.find(({ id }) => id === 'varnish-cabinet')!.programme!.stages;
    expect(clocksOf(rig, at, T + 1).map(({ of, endsS }) => [of, endsS])).toEqual([
      ['timer', T + 5],
      ['stage', T + first!.minutes * 60],
    ]);
  });

  // UL 489 may curve: 150 % of a 20 A breaker may open after about 25 s from cold (common practice).
  it('say from when a breaker may open that carries more than its rating', () => {
    const on = [{ load: 'kettle' }, { load: 'oven' }];
    const scene = { supply: 'shore-30', on };
    const galley = overloadsOf(compile(rig), scene).find(({ elementId }) => elementId === 'galley')!;
    expect(galley.kind).toBe('overload');
    // Warmed by the kettle (12 A of 20 A) it opens sooner than from cold.
    const cold = overloadsOf(compile({ ...rig, loads: rig.loads.map(asOne) }), {
      supply: 'shore-30',
      on: [{ load: 'kettle' }],
    }).find(({ elementId }) => elementId === 'galley')!;
    expect(galley.lastsS).toBeLessThan(cold.lastsS);
    expect(galley.lastsS).toBeGreaterThan(5);
    expect(overloadsOf(compile(rig), { supply: 'shore-30', on: [{ load: 'laptop' }] })).toEqual([]);
  });
});
