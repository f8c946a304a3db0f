import { TestBed } from '@angular/core/testing';
import { validateRig } from '@heliarch/core/rig';
import { smallRig } from '../storage/small-rig.testing';
import { sessionWith } from '../parts/on-page.testing';
import { RigState } from './rig-state';

function setUp() {
  const { rig, labels } = sessionWith(smallRig());
  TestBed.configureTestingModule({ providers: [RigState] });
  const state = TestBed.inject(RigState);
  return { rig, labels, state };
}

describe('the rig that is described', () => {
  it('opens at its inverter, and at another part where that one is gone', () => {
    const { state } = setUp();
    expect(state.entry()?.name).toBe('Inverter');
    state.select('batteries', 'bank');
    expect(state.entry()?.name).toBe('Bank');
    state.remove();
    expect(state.entry()?.name).toBe('Inverter');
  });

  it('takes a part of every kind, opens it and stays a rig that can be read', () => {
    const { rig, state } = setUp();
    for (const list of [
      'buses',
      'sources',
      'converters',
      'batteries',
      'solar',
      'circuits',
      'supplies',
    ] as const) {
      state.add(list);
      expect(state.selected().list).toBe(list);
      expect(validateRig(rig()).ok).withContext(list).toBeTrue();
    }
  });

  it('copies a part under a name of its own, in one step', () => {
    const { rig, state, labels } = setUp();
    state.select('circuits', 'main');
    state.duplicate();
    expect(rig().circuits.map(({ name }) => name)).toEqual(['Main', 'Main 2']);
    expect(state.entry()?.name).toBe('Main 2');
    expect(labels).toEqual(['copy Main']);
  });

  it('keeps a part that something hangs on, and says what', () => {
    const { rig, state } = setUp();
    state.add('circuits');
    state.select('circuits', 'main');
    state.remove();
    expect(state.refused()).toMatch(/^Main feeds Kettle and Saw/);
    expect(rig().circuits.length).toBe(2);
    state.select('batteries', 'bank');
    expect(state.refused()).toBeUndefined();
  });
});
