import { smallRig } from '../../storage/small-rig.testing';
import { onPage, sessionWith } from '../../parts/on-page.testing';
import { StartTestSheet, type StartTaken } from './start-test-sheet';

function setUp() {
  const { rig } = sessionWith({
    ...smallRig(),
    scenes: [{ id: 'now', name: 'Now', supply: 'battery', on: [{ load: 'saw' }] }],
  });
  const saw = rig().loads.find(({ id }) => id === 'saw')!;
  const page = onPage(StartTestSheet, () => ({ load: saw, part: saw.parts[0] }));
  const taken: StartTaken[] = [];
  page.fixture.componentInstance.taken.subscribe((each) => taken.push(each));
  return { page, taken };
}

describe('measuring a start', () => {
  it('subtracts the base and counts as measured once the starts agree: 27 A less 2 A at 120 V are 3,000 VA (common practice, no published source)', () => {
    const { page, taken } = setUp();
    page.type(/^Base before/, '2');
    page.type('Start 1', '26');
    expect(page.text('[role=status]')).toContain('measured once');
    // What was measured before stands until the hand says otherwise.
    expect(page.has('button', 'Keep these readings')).toBeFalse();
    expect(page.isDisabled('Put them in the place of three that agree')).toBeFalse();
    page.type('Start 2', '27');
    page.type('Start 3', '26.5');
    page.type(/^Base after/, '2');
    expect(page.text('[role=status]')).toContain('25 A less the base, 3,000 VA');
    expect(page.text('[role=status]')).toContain('it counts as measured');
    page.type(/^How long/, '0,8');
    page.press('Keep these readings');
    expect(taken[0]?.va).toEqual(
      jasmine.objectContaining({
        value: 3000,
        basis: 'measured',
        note: 'Starts 26, 27, 26.5 A; base 2 and 2 A at 120 V.',
      }),
    );
    expect(taken[0]?.seconds).toEqual({ value: 0.8, basis: 'measured' });
  });

  it('says what the set that is on would say then', () => {
    const { page } = setUp();
    page.type(/^Base before/, '0');
    page.type('Start 1', '25');
    page.type('Start 2', '25');
    page.type('Start 3', '25');
    expect(page.text('[role=status]')).toMatch(/The set that is on/);
    for (const start of [1, 2, 3]) page.type(`Start ${start}`, '60');
    expect(page.text('[role=status]')).toMatch(/becomes Trips/);
  });

  it('says what is no reading and keeps nothing until it is one, and offers another line once five are filled', () => {
    const { page } = setUp();
    page.type(/^Base before/, '2');
    page.type('Start 1', 'about 26');
    expect(page.text()).toContain('Start 1 must be a number');
    page.type('Start 2', '26');
    expect(page.isDisabled('Put them in the place of three that agree')).toBeTrue();
    expect(page.has('input', 'Start 6')).toBeFalse();
    for (const start of [1, 2, 3, 4, 5]) page.type(`Start ${start}`, '26');
    expect(page.has('input', 'Start 6')).toBeTrue();
  });
});
