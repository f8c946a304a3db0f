import { check, compile, outlooksOf, type CheckScene } from '@heliarch/core/check';
import type { Rig } from '@heliarch/core/rig';
import { smallRig } from '../storage/small-rig.testing';
import { groupLoads } from './load-groups';

function groupsFor(...ids: string[]) {
  return groupsOf(smallRig(), ...ids);
}

function groupsOf(rig: Rig, ...ids: string[]) {
  const scene: CheckScene & { on: { load: string }[] } = {
    supply: 'battery',
    on: ids.map((load) => ({ load })),
  };
  const groups = groupLoads(
    'point',
    rig,
    scene,
    check(compile(rig), scene),
    new Map(),
    outlooksOf(compile(rig), scene),
  );
  const row = (id: string) => groups.flatMap((group) => group.rows).find(({ load }) => load.id === id);
  return { groups, row };
}

describe('the load list', () => {
  it('sorts loads into families in a fixed order and adds up what is on', () => {
    const { groups } = groupsFor('kettle');
    expect(groups.map(({ family, watts }) => [family, watts])).toEqual([
      ['Motors', 0],
      ['Cooking', 1200],
    ]);
  });

  it('numbers what is on by its place in the start order', () => {
    const { row } = groupsFor('kettle', 'saw');
    expect([row('saw')?.place, row('kettle')?.place]).toEqual([1, 2]);
    expect(row('saw')?.outlook).toBeUndefined();
  });

  it('says of what follows another load whom it follows, and before the tick that it comes with it', () => {
    const tied: Rig = { ...smallRig(), ties: [{ leader: 'kettle', follower: 'saw', delayS: 0 }] };
    expect(groupsOf(tied, 'kettle', 'saw').row('saw')?.follows).toBe('the kettle');
    expect(groupsOf(tied, 'saw').row('saw')?.follows).toBeUndefined();
    const strong = {
      ...tied,
      converters: tied.converters.map((each) => ({
        ...each,
        tiers: [],
        continuousW: { value: 20_000, basis: 'data-sheet' as const },
        continuousVA: { value: 20_000, basis: 'data-sheet' as const },
      })),
    };
    expect(groupsOf(strong).row('kettle')?.outlook?.words).toMatch(/^can start, the .*saw with it$/);
  });

  it('gives what is off its outlook, and beside a set that trips only what it would trip itself', () => {
    const { row } = groupsFor('kettle');
    expect(row('saw')?.outlook).toEqual({
      mark: 'tight',
      words: jasmine.stringMatching(/^tight, /) as unknown as string,
    });
    const rig = smallRig();
    const weak = {
      ...rig,
      converters: rig.converters.map((converter) => ({
        ...converter,
        continuousW: { value: 500, basis: 'data-sheet' as const },
      })),
    };
    const scene = { supply: 'battery', on: [{ load: 'kettle' }] };
    const [motors] = groupLoads(
      'point',
      weak,
      scene,
      check(compile(weak), scene),
      new Map(),
      outlooksOf(compile(weak), scene),
    );
    expect(motors?.rows[0]?.outlook).toEqual({ mark: 'trips', words: 'no: 2,300 W too much for Inverter' });
  });
});
