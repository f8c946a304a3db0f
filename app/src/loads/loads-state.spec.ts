import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { validateRig, type Rig } from '@heliarch/core/rig';
import { findKinds } from '@heliarch/core/describe';
import { RigSession } from '../storage/rig-session';
import { smallRig } from '../storage/small-rig.testing';
import { LoadsState } from './loads-state';

function setUp() {
  const rig = signal<Rig>(smallRig());
  const labels: string[] = [];
  const change = (edit: (rig: Rig) => Rig, { label }: { label: string }) => {
    rig.update(edit);
    labels.push(label);
    expect(validateRig(rig()).ok).withContext(label).toBeTrue();
  };
  TestBed.configureTestingModule({
    providers: [{ provide: RigSession, useValue: { rig, change } }, LoadsState],
  });
  return { rig, labels, state: TestBed.inject(LoadsState) };
}

const names = (rig: Rig) => rig.loads.map(({ name }) => name);

describe('the list of loads and what is done with it', () => {
  it('opens what was added, and adds a second of a kind under a name of its own', () => {
    const { rig, state, labels } = setUp();
    const [kind] = findKinds('point', 'bandsaw').kinds;
    state.addKind({ kind: kind!, stated: undefined });
    state.addKind({ kind: kind!, stated: undefined });
    expect(names(rig()).slice(-2)).toEqual(['Bandsaw', 'Bandsaw 2']);
    expect(state.open()?.name).toBe('Bandsaw 2');
    state.addNamed('Press');
    expect(state.open()?.parts[0]?.runningW?.basis).toBe('guess');
    expect(labels).toEqual(['add Bandsaw', 'add Bandsaw 2', 'add Press']);
  });

  it('copies, moves, uses and removes all that is ticked as one step', () => {
    const { rig, state, labels } = setUp();
    state.addNamed('Press');
    state.selectAll(true);
    const count = rig().loads.length;
    state.use(state.ticked(), 'during-work');
    expect(rig().loads.every(({ usage }) => usage === 'during-work')).toBeTrue();
    state.duplicate(state.ticked());
    expect(rig().loads.length).toBe(2 * count);
    expect(state.ticked()).toEqual([]);
    state.selectAll(true);
    state.remove(state.ticked());
    expect(rig().loads).toEqual([]);
    expect(state.open()).toBeUndefined();
    expect(labels.slice(1)).toEqual([
      `change the use of ${count} loads`,
      `copy ${count} loads`,
      `remove ${2 * count} loads`,
    ]);
  });

  it('ticks only what is shown', () => {
    const { state } = setUp();
    state.addNamed('Press');
    state.words.set('press');
    state.selectAll(true);
    expect(state.ticked().map(({ name }) => name)).toEqual(['Press']);
    state.tick('press', false);
    expect(state.ticked()).toEqual([]);
  });

  it('gives a load parts, states and a programme, and takes a part with its share in every state', () => {
    const { rig, state } = setUp();
    const kettle = () => rig().loads.find(({ id }) => id === 'kettle')!;
    state.addPart(kettle());
    state.addState(kettle());
    state.addState(kettle());
    state.addProgramme(kettle());
    expect(kettle().states?.map(({ name }) => name)).toEqual(['State', 'State 2']);
    expect(kettle().programme?.stages.map(({ state: id }) => id)).toEqual(['state', 'state-2']);
    state.removePart(kettle(), kettle().parts[1]!.id);
    expect(kettle().states?.every(({ parts }) => parts.length === 1)).toBeTrue();
  });
});
