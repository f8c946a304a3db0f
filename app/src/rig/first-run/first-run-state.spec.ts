import { TestBed } from '@angular/core/testing';
import { validateRig } from '@heliarch/core';
import { findTypicalLoads } from '@heliarch/core/editing';
import { RigSession } from '../../storage/rig-session';
import { FirstRunState } from './first-run-state';

function setUp(): FirstRunState {
  TestBed.configureTestingModule({ providers: [{ provide: RigSession, useValue: {} }] });
  return TestBed.inject(FirstRunState);
}

describe('the answers to the eight questions', () => {
  it('make a rig from the first moment on, whatever is still open', () => {
    const state = setUp();
    expect(validateRig(state.rig()).ok).toBeTrue();
    expect(state.faults()).toEqual([]);
    expect(state.rig().converters[0]?.continuousVA.basis).toBe('typical');
    state.type('inverterVA', '3,000');
    expect(state.rig().converters[0]?.continuousVA).toEqual({ value: 3000, basis: 'nameplate' });
    state.loads.set(findTypicalLoads('kettle'));
    expect(state.rig().loads.length).toBe(2);
    state.reset();
    expect(state.rig().loads).toEqual([]);
    expect(state.rig().converters[0]?.continuousVA.basis).toBe('typical');
  });

  it('that no rig could take are named, and the rig goes on without them', () => {
    const state = setUp();
    state.type('hookupA', '5000');
    state.type('batteryAh', '2oo');
    state.setCircuit(0, { name: 'Galley', amps: '900' });
    expect(state.faults()).toEqual([
      'Amp-hours must be a number of Ah above 0 and at most 100000.',
      'Smallest breaker on the way must be a number of A above 0 and at most 100.',
      'The amps of Galley must be a number above 0 and at most 100.',
    ]);
    expect(validateRig(state.rig()).ok).toBeTrue();
    expect(state.rig().circuits[0]?.protection.amps).toBe(15);
  });

  it('name what the rig file itself does not take, such as a name without end', () => {
    const state = setUp();
    state.name.set('x'.repeat(3000));
    expect(state.faults()[0]).toMatch(/^Name: must be at most 2000 characters/);
  });

  it('stay within the rig file at the largest numbers asked', () => {
    const state = setUp();
    for (const [key, text] of [
      ['inverterVA', '100000'],
      ['generatorVA', '100000'],
      ['surgeS', '86400'],
    ] as const)
      state.type(key, text);
    expect(state.faults()).toEqual([]);
  });
});
