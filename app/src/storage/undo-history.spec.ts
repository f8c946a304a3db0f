import { withCharge, withLoad, type Rig } from '@heliarch/core/rig';
import { NO_HISTORY, stepBack, stepForward, withStep, type Stepped, type UndoHistory } from './undo-history';
import { smallRig } from './small-rig.testing';

/** A rig and its history after a number of edits. */
function after(...edits: readonly ((rig: Rig) => Rig)[]): {
  readonly rig: Rig;
  readonly history: UndoHistory;
} {
  return edits.reduce(
    ({ rig, history }, edit, index) => {
      const next = edit(rig);
      return { rig: next, history: withStep(history, rig, next, { label: `edit ${index}` }) };
    },
    { rig: smallRig(), history: NO_HISTORY },
  );
}

const whole = (step: ReturnType<typeof stepBack>): Stepped | undefined => {
  if (step === 'damaged') throw new Error('The step does not lead to a rig');
  return step;
};
const back = (history: UndoHistory, rig: Rig) => whole(stepBack(history, rig));
const forward = (history: UndoHistory, rig: Rig) => whole(stepForward(history, rig));

const tick = (id: string) => (rig: Rig) => withLoad(rig, 'now', id, true);
const charge = (percent: number) => (rig: Rig) => withCharge(rig, 'now', percent, '2026-06-12T10:36:00Z');

describe('the history of a rig', () => {
  it('goes back to where it began and forward to where it was, whatever the edits', () => {
    const end = after(tick('saw'), charge(80), tick('kettle'), charge(79));
    let { rig, history } = end;
    for (let step = back(history, rig); step; step = back(history, rig)) ({ rig, history } = step);
    expect(rig).toEqual(smallRig());
    for (let step = forward(history, rig); step; step = forward(history, rig)) ({ rig, history } = step);
    expect(rig).toEqual(end.rig);
  });

  it('forgets the way forward once something else is done', () => {
    const { rig, history } = after(tick('saw'), tick('kettle'));
    const step = back(history, rig);
    if (!step) throw new Error('There is a step to take back');
    const next = charge(50)(step.rig);
    const { past, future } = withStep(step.history, step.rig, next, { label: 'charge' });
    expect(future).toEqual([]);
    expect(past.map((step) => step.label)).toEqual(['edit 0', 'charge']);
  });

  it('keeps patches, not copies of the rig, and not more than two hundred of them', () => {
    const edits = Array.from({ length: 230 }, (_, index) => charge(index % 100));
    const { history } = after(...edits);
    expect(history.past.length).toBe(200);
    expect(JSON.stringify(history.past.at(-1)).length).toBeLessThan(JSON.stringify(smallRig()).length / 3);
  });

  it('does not change the rig it is given', () => {
    const { rig, history } = after(tick('saw'));
    const before = JSON.stringify(rig);
    stepBack(history, rig);
    expect(JSON.stringify(rig)).toBe(before);
  });
});
