import { validateRig } from '@heliarch/core/rig';
import { smallRig } from '../../storage/small-rig.testing';
import { onPage, sessionWith } from '../../parts/on-page.testing';
import { TiesSection } from './ties-section';

function setUp() {
  const small = smallRig();
  const [kettle] = small.loads;
  const { rig } = sessionWith({ ...small, loads: [kettle!, { ...kettle!, id: 'toaster', name: 'Toaster' }] });
  const page = onPage(TiesSection, () => ({ rig: rig(), load: rig().loads[0] }));
  const press = (label: string): void => {
    page.press(label);
    expect(validateRig(rig()).ok).toBeTrue();
  };
  return { rig, press, type: page.type };
}

describe('ties, locks and shedders of a load', () => {
  it('are made with another load, changed and undone by a button each', () => {
    const { rig, press, type } = setUp();
    press('It starts with that one');
    type('Seconds after it', '3');
    type('Seconds it runs on', 'a while');
    expect(rig().ties).toEqual([{ follower: 'kettle', leader: 'toaster', delayS: 3 }]);
    press('Remove this tie');
    expect(rig().ties).toEqual([]);

    press('Only one of the two runs');
    expect(rig().locks).toEqual([{ name: 'Kettle or Toaster', loads: ['kettle', 'toaster'] }]);
    press('Leave this either-or');
    expect(rig().locks).toEqual([]);

    press('It is dropped while that one runs');
    expect(rig().shedders?.[0]).toEqual(jasmine.objectContaining({ drops: 'kettle', watches: 'toaster' }));
    press('Remove this shedder');
    expect(rig().shedders).toEqual([]);
  });
});
