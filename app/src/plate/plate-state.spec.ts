import { TestBed } from '@angular/core/testing';
import { sessionWith } from '../parts/on-page.testing';
import { smallRig } from '../storage/small-rig.testing';
import { PlateState } from './plate-state';

function setUp(before = smallRig()) {
  const { rig, labels } = sessionWith(before);
  TestBed.configureTestingModule({ providers: [PlateState] });
  return { rig, labels, state: TestBed.inject(PlateState) };
}

describe('a plate that is being read', () => {
  it('becomes a load in one step, on its likely circuit, and leaves room for the next', () => {
    const { rig, labels, state } = setUp();
    state.write('ELECTRIC KETTLE\n120V~ 60Hz 1350W');
    expect(state.kind()?.id).toBe('kettle');
    state.name.set('Second kettle');
    state.add();
    const load = rig().loads.at(-1)!;
    expect(load.parts[0]?.runningW).toEqual({ value: 1350, basis: 'nameplate', note: '1350W' });
    expect(labels).toEqual(['add Second kettle from its plate']);
    expect([state.text(), state.added()]).toEqual(['', ['Second kettle']]);
  });

  it('asks anew what was answered of other numbers', () => {
    const { state } = setUp();
    state.write('SAW 120V 60Hz 12A 1100W 1200W');
    const [question] = state.said().open;
    state.answer(question!.id, '0');
    expect(state.said().open).toEqual([]);
    state.write('SAW 120V 60Hz 12A 1100W 1200W\nMODEL 7');
    expect(state.said().open).withContext('the same numbers').toEqual([]);
    state.write('SAW 120V 60Hz 12A 900W 1300W');
    expect(state.said().open.map(({ id }) => id)).toEqual([question!.id]);
  });

  it('of a picture is a guess until it is compared, and again once its text is another', () => {
    const { state } = setUp();
    state.takeReadings(['KETTLE 120V 1350W', 'KETTLE 120V 1850W']);
    const watts = () => state.said().facts.find(({ quantity }) => quantity === 'watts')!;
    expect(watts().isUnconfirmed).toBeTrue();
    expect(state.otherReading(watts())?.value).toBe(1850);
    state.compare(state.said().facts, true);
    expect(state.uncompared()).toEqual([]);
    state.write('KETTLE 120V 1360W');
    expect(state.uncompared().map(({ quantity }) => quantity)).toEqual(['watts']);
  });

  it('of an inverter goes into the one that the rig has, and of nothing known nowhere', () => {
    const { state, rig } = setUp();
    state.write('INVERTER 120V 60Hz 2000W');
    expect(state.target()).toEqual({ into: 'entry', list: 'converters', id: rig().converters[0]!.id });
    state.write('120V 300W');
    expect(state.target()).toBeUndefined();
    state.write('3~ 400V 3kW MOTOR');
    expect(state.target()).withContext('three phases').toBeUndefined();
    state.write('120V 300W');
    state.choose('laptop');
    expect(state.target()?.into).toBe('new-load');
  });

  it('of an inverter is held against the battery that it hangs on, not against another one', () => {
    const small = smallRig();
    const other = { id: 'house', name: 'House', kind: 'dc' as const, volts: 24 };
    const { state } = setUp({ ...small, buses: [other, ...small.buses] });
    const warnings = () => state.said().warnings.map(({ kind }) => kind);
    state.write('INVERTER INPUT 12V DC OUTPUT 120V AC 60Hz 2000W');
    expect(warnings()).toEqual([]);
    state.write('INVERTER INPUT 24V DC OUTPUT 120V AC 60Hz 2000W');
    expect(warnings()).toEqual(['other-battery']);
  });
});
