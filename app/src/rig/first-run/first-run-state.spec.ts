import { TestBed } from '@angular/core/testing';
import { validateRig } from '@heliarch/core/rig';
import { findKinds } from '@heliarch/core/describe';
import { RigSession } from '../../storage/rig-session';
import { hookupRow } from './first-run-form';
import { FirstRunState } from './first-run-state';

function setUp() {
  TestBed.configureTestingModule({ providers: [{ provide: RigSession, useValue: {} }] });
  const state = TestBed.inject(FirstRunState);
  return { state, form: state.form.controls, numbers: state.form.controls.numbers.controls };
}

describe('the answers to the first questions', () => {
  it('make a rig from the first moment on, whatever is still open', () => {
    const { state, numbers } = setUp();
    expect(validateRig(state.rig()).ok).toBeTrue();
    expect(state.faultsOf('all')).toEqual([]);
    expect(state.rig().converters[0]?.continuousVA.basis).toBe('typical');
    numbers.inverterVA.setValue(3000);
    expect(state.rig().converters[0]?.continuousVA).toEqual({ value: 3000, basis: 'nameplate' });
    for (const kind of findKinds('point', 'kettle').kinds) state.addLoad(kind, '');
    expect(state.rig().loads.length).toBe(2);
    state.reset();
    expect(state.rig().loads).toEqual([]);
    expect(state.rig().converters[0]?.continuousVA.basis).toBe('typical');
  });

  it('that no rig could take are named where they were asked, and the rig goes on without them', () => {
    const { state, form, numbers } = setUp();
    form.hookups.controls[0]!.controls.amps.setValue(5000);
    numbers.batteryAh.setValue(0.5);
    form.circuits.controls[0]!.setValue({ name: 'Galley', amps: 900, isPair: false });
    expect(state.faultsOf('battery')).toEqual(['Amp-hours must be from 1 to 100000 Ah.']);
    expect(state.faultsOf('all')).toEqual([
      'Amp-hours must be from 1 to 100000 Ah.',
      'Breaker of the post or outlet must be above 0 and at most 100 A.',
      'The amps of Galley must be above 0 and at most 100 A.',
    ]);
    expect(validateRig(state.rig()).ok).toBeTrue();
    expect(state.rig().circuits[0]?.protection.amps).toBe(15);
  });

  it('name what the rig file itself does not take, such as a name without end', () => {
    const { state, form } = setUp();
    form.name.setValue('x'.repeat(3000));
    expect(state.faultsOf('all')[0]).toMatch(/^Name: must be at most 2000 characters/);
  });

  it('stay within the rig file at the largest numbers asked', () => {
    const { state, form, numbers } = setUp();
    numbers.inverterVA.setValue(100_000);
    numbers.generatorW.setValue(100_000);
    form.tiers.controls[0]!.setValue({ va: 100_000, seconds: 86_400 });
    expect(state.faultsOf('all')).toEqual([]);
  });

  it('take a plate in watts, amps or horsepower, and say where it is none of them', () => {
    const { state, form } = setUp();
    const [saw] = findKinds('point', 'table saw').kinds;
    state.addLoad(saw!, '3 hp');
    expect(state.rig().loads[0]?.parts[0]?.runningFrom).toEqual({ horsepower: 3 });
    form.loads.controls[0]!.controls.plate.setValue('1400');
    expect(state.rig().loads[0]?.parts[0]?.runningW).toEqual({ value: 1400, basis: 'nameplate' });
    form.loads.controls[0]!.controls.plate.setValue('a lot');
    expect(state.faultsOf('loads')).toEqual([
      'The plate of Table saw, on site must be watts, amps or horsepower, such as 1400 W or 3 hp.',
    ]);
  });

  it('ask a workshop on the wall neither for a battery nor for an inverter', () => {
    const { state, form } = setUp();
    form.fedBy.setValue('wall');
    form.hookups.push(hookupRow());
    form.hookups.controls[0]!.controls.amps.setValue(60);
    expect(state.questions().map(({ id }) => id)).toEqual([
      'mains',
      'hookup',
      'generator',
      'circuits',
      'loads',
    ]);
    expect(state.rig().converters).toEqual([]);
    expect(state.rig().supplies.map(({ name }) => name)).toEqual(['Wall 60 A']);
  });
});
