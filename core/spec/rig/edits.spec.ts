import { partNumber } from '../../src/loads/part-numbers.js';
import { withCharge, withLoad, withPartNumber, withState, withSupply } from '../../src/rig/edits.js';
import { exampleRig, on, q } from '../example-rig.js';

const rig = exampleRig({ saw: { w: 500, start: [2000, 1] }, lamp: { w: 20 } });
const scene = (edited: typeof rig) => edited.scenes[0];

describe('an edit of a rig', () => {
  it('makes a new rig and leaves the old one as it was', () => {
    const before = JSON.stringify(rig);
    const edited = withLoad(withSupply(rig, 'now', 'shore'), 'now', 'lamp', true);
    expect(scene(edited)).toEqual(jasmine.objectContaining({ supply: 'shore', on: on('lamp') }));
    expect(JSON.stringify(rig)).toBe(before);
  });

  it('switches a load on at the end of the order, once, and off again', () => {
    const both = withLoad(withLoad(rig, 'now', 'saw', true), 'now', 'lamp', true);
    expect(scene(withLoad(both, 'now', 'saw', true))?.on).toEqual(on('lamp', 'saw'));
    expect(scene(withLoad(both, 'now', 'saw', false))?.on).toEqual(on('lamp'));
    expect(scene(withState(both, 'now', 'saw', 'low'))?.on).toEqual([
      { load: 'saw', state: 'low' },
      { load: 'lamp' },
    ]);
    expect(scene(withCharge(both, 'now', 71, 'today'))?.charge).toEqual({ percent: 71, readAt: 'today' });
  });

  it('replaces one number of one part, and none that the part does not have', () => {
    const part = (edited: typeof rig, load: number) => edited.loads[load]?.parts[0];
    const faster = withPartNumber(rig, 'saw', 'main', 'seconds', q(0.4, 'measured'));
    expect(part(faster, 0)?.start?.seconds).toEqual(q(0.4, 'measured'));
    expect(part(faster, 0)?.start?.va).toEqual(part(rig, 0)?.start?.va);
    const still = withPartNumber(rig, 'lamp', 'main', 'start', q(99));
    expect(part(still, 1)?.start).toBeUndefined();
    const lamp = rig.loads[1]!;
    expect(partNumber(rig, lamp, lamp.parts[0]!, 'start')).toBeUndefined();
    expect(partNumber(rig, lamp, lamp.parts[0]!, 'running')?.value).toBe(20);
  });
});
