import { outlooksOf } from '../../../src/outlook/outlook.js';
import { withLoad } from '../../../src/rig/edits.js';
import { followersOf, leaderOf, offWith, onWith, withFollowersOf } from '../../../src/rig/followers.js';
import { whoRunsWithWhom } from '../../../src/sets/pairs.js';
import { check } from '../../../src/check/check.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { validateRig } from '../../../src/rig-file/validate.js';
import type { Rig } from '../../../src/rig-file/schema.js';
import { exampleRig, on } from '../../example-rig.js';

type Tie = NonNullable<Rig['ties']>[number];

const tie = (leader: string, follower: string): Tie => ({ leader, follower, delayS: 1 });
/** 3,000 W for hours, 3,500 VA for 5 s. */
const INVERTER = { watts: 3000, tiers: [[3500, 5]] } as const;
const onBattery = (rig: Rig, ...ids: string[]) => check(compile(rig), { supply: 'battery', on: on(...ids) });
const barred = (rig: Rig, id: string): Rig => ({
  ...rig,
  loads: rig.loads.map((load) => (load.id === id ? { ...load, neverOn: ['battery'] } : load)),
});

describe('a tie', () => {
  it('keeps its follower running for every later start: 100 + 1,500 W, then 2,500 VA, are 4,100 VA', () => {
    const loads = {
      fridge: { w: 100, usage: 'by-itself' },
      fan: { w: 1500 },
      saw: { w: 500, start: [2500, 1] },
    } as const;
    const rig = exampleRig(loads, INVERTER);
    expect(onBattery(rig, 'fridge', 'fan', 'saw').verdict).toBe('holds');
    const result = onBattery({ ...rig, ties: [tie('fridge', 'fan')] }, 'fridge', 'fan', 'saw');
    expect(result.verdict).toBe('trips');
    expect(result.decider?.worst.stated).toBeCloseTo(4100, 6);
  });

  it('starts its follower also where the leader has no start of its own, and along a chain', () => {
    const loads = {
      heater: { w: 500 },
      fan: { w: 100 },
      pump: { w: 300, start: [3500, 1] },
    } as const;
    const rig: Rig = { ...exampleRig(loads, INVERTER), ties: [tie('heater', 'fan'), tie('fan', 'pump')] };
    const result = onBattery(rig, 'heater', 'fan', 'pump');
    expect(result.verdict).toBe('trips');
    expect(result.decider?.worst.stated).toBeCloseTo(4100, 6);
    expect(onBattery(rig, 'pump').verdict).toBe('holds');
  });

  it('takes along a chain what is off, names who leads, and lets go of what nothing else leads', () => {
    const rig = { ties: [tie('saw', 'extractor'), tie('extractor', 'gate'), tie('planer', 'extractor')] };
    const isOn = (...ids: string[]) => ids.map((load) => ({ load }));
    expect(followersOf(rig, 'saw')).toEqual(['extractor', 'gate']);
    expect(withFollowersOf(rig, ['saw', 'gate'])).toEqual(['saw', 'extractor', 'gate']);
    expect(onWith(rig, isOn('extractor'), 'saw')).toEqual(['saw', 'gate']);
    expect(leaderOf(rig, isOn('planer', 'extractor'), 'extractor')).toBe('planer');
    expect(leaderOf(rig, isOn('extractor'), 'extractor')).toBeUndefined();
    const all = isOn('saw', 'planer', 'extractor', 'gate');
    expect([...offWith(rig, all, 'saw')]).toEqual(['saw']);
    expect([...offWith(rig, isOn('saw', 'extractor', 'gate'), 'saw')]).toEqual(['saw', 'extractor', 'gate']);
    expect([...offWith(rig, all, 'extractor')]).toEqual(['extractor', 'gate']);
    expect(followersOf({ ties: [tie('saw', 'fan'), tie('fan', 'saw')] }, 'saw')).toEqual(['fan']);
  });

  it('does not have its follower run before its leader starts: 1,000 W, then 1,420 W together, pass 1,500 W', () => {
    // the start of the fan is 840 VA at power factor 0.5, so less in watts than its 700 W running
    const loads = {
      lamp: { w: 10, start: [20, 1] },
      saw: { w: 300, start: [2000, 1], startPf: 0.5 },
      fan: { w: 700, start: [840, 1], startPf: 0.5 },
    } as const;
    const rig = exampleRig(loads, { watts: 1500, va: 3000, tiers: [[3000, 5]] });
    const result = onBattery({ ...rig, ties: [tie('saw', 'fan')] }, 'saw', 'fan', 'lamp');
    expect(result.verdict).toBe('holds');
    expect(result.limits.find(({ kind }) => kind === 'inverter-start-watts')?.worst.stated).toBeCloseTo(
      1420,
      6,
    );
  });

  it('leads nobody while its leader is barred, not fed or off: then the follower starts by itself', () => {
    const loads = { saw: { w: 500, start: [600, 1] }, fan: { w: 100, start: [4000, 1] } } as const;
    const rig: Rig = { ...exampleRig(loads, INVERTER), ties: [tie('saw', 'fan')] };
    for (const each of [onBattery(barred(rig, 'saw'), 'saw', 'fan'), onBattery(rig, 'fan')]) {
      expect(each.verdict).toBe('trips');
      expect(each.decider?.start?.loadId).toBe('fan');
    }
  });

  it('acts where its leader is ticked: follower and leader go on and off together, and the outlook counts both', () => {
    const loads = { planer: { w: 500 }, saw: { w: 500 }, fan: { w: 100, start: [4000, 1] } } as const;
    const rig: Rig = {
      ...exampleRig(loads, INVERTER),
      ties: [tie('saw', 'fan'), tie('planer', 'fan')],
      scenes: [{ id: 'now', name: 'Now', supply: 'battery', on: [] }],
    };
    const isOn = (after: Rig): readonly string[] => after.scenes[0]?.on.map(({ load }) => load) ?? [];
    const sawOn = withLoad(rig, 'now', 'saw', true);
    expect(isOn(sawOn)).toEqual(['saw', 'fan']);
    expect(isOn(withLoad(sawOn, 'now', 'saw', false))).toEqual([]);
    const bothOn = withLoad(sawOn, 'now', 'planer', true);
    expect(isOn(withLoad(bothOn, 'now', 'saw', false)))
      .withContext('the planer runs on')
      .toEqual(['fan', 'planer']);
    // 500 + 4,000 VA on 3,500 VA, though the saw alone has no start
    const compiled = compile(rig);
    const nothing = { supply: 'battery', on: [] };
    expect(outlooksOf(compiled, nothing).get('saw')?.answer).toBe('later');
    const { pairs } = whoRunsWithWhom(compiled, { supply: 'battery' });
    expect(pairs.find(({ starts, runs }) => starts === 'saw' && runs === 'planer')?.verdict).toBe('trips');
  });

  it('is not acted upon by a leader that only bogs down: its follower runs already', () => {
    const loads = { saw: { w: 800, start: [900, 1] }, fan: { w: 100, start: [1500, 1] } } as const;
    const tied: Rig = { ...exampleRig(loads, INVERTER), ties: [tie('saw', 'fan')] };
    const bogging: Rig = {
      ...tied,
      loads: tied.loads.map((load) =>
        load.id === 'saw'
          ? { ...load, parts: load.parts.map((part) => ({ ...part, bogs: 'yes' as const })) }
          : load,
      ),
    };
    const bogged = onBattery(bogging, 'saw', 'fan').starts.find(({ moment }) => moment === 'bogged');
    expect(Math.max(...(bogged?.limits ?? []).map(({ worst }) => worst.stated))).toBeCloseTo(1700, 6);
  });

  it('in a ring is refused, with the names of the ring', () => {
    const rig = exampleRig({ a: { w: 1 }, b: { w: 1 }, c: { w: 1 } }, INVERTER);
    const ring = validateRig({ ...rig, ties: [tie('a', 'b'), tie('b', 'c'), tie('c', 'a')] });
    expect(ring.ok ? '' : ring.problems[0]?.message).toBe(
      'goes round in a ring: a, b, c; remove one of these ties',
    );
    expect(validateRig({ ...rig, ties: [tie('a', 'b'), tie('a', 'c'), tie('b', 'c')] }).ok).toBeTrue();
  });
});

describe('locks and shedders', () => {
  const loads = { hob: { w: 2000 }, kettle: { w: 2000 }, heater: { w: 2000 } } as const;
  const rig = exampleRig(loads, INVERTER);
  const eitherOr = (...ids: string[]) => ({ name: 'Either or', loads: ids });

  it('act only through loads that run: a barred or locked-out load keeps nothing off', () => {
    const locked = { ...rig, locks: [eitherOr('hob', 'kettle'), eitherOr('kettle', 'heater')] };
    const chain = check(compile(locked), { supply: 'battery', on: on('hob', 'kettle', 'heater') }, 'given');
    expect(chain.notFed.map(({ load }) => load.id)).toEqual(['kettle']);
    expect(chain.verdict).toBe('trips');
    // what was ticked first runs, whatever would be kinder (rule 45)
    expect(onBattery(locked, 'hob', 'kettle', 'heater').notFed.map(({ load }) => load.id)).toEqual([
      'kettle',
    ]);
    const one = { ...rig, locks: [eitherOr('hob', 'kettle')] };
    expect(onBattery(barred(one, 'hob'), 'hob', 'kettle', 'heater').verdict).toBe('trips');
  });

  it('drop nothing by a load that is dropped itself, and of two that drop each other both count', () => {
    const shedder = (watches: string, drops: string) => ({ name: `${watches} first`, watches, drops });
    const chain = { ...rig, shedders: [shedder('hob', 'kettle'), shedder('kettle', 'heater')] };
    const result = onBattery(chain, 'hob', 'kettle', 'heater');
    expect(result.notFed.map(({ load }) => load.id)).toEqual(['kettle']);
    expect(result.verdict).toBe('trips');
    const mutual = { ...rig, shedders: [shedder('hob', 'kettle'), shedder('kettle', 'hob')] };
    expect(onBattery(mutual, 'hob', 'kettle').verdict).toBe('trips');
  });
});
