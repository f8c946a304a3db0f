import { smallRig } from '../../storage/small-rig.spec-data';
import { onPage, sessionWith } from '../../components/on-page.spec-data';
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
    page.type('Start 1, A', '26');
    expect(page.text('[role=status]')).toContain('not measured yet');
    page.type('Start 2, A', '27');
    page.type('Start 3, A', '26.5');
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
    page.type('Start 1, A', '25');
    page.type('Start 2, A', '25');
    page.type('Start 3, A', '25');
    expect(page.text('[role=status]')).toMatch(/The set that is on/);
    for (const start of [1, 2, 3]) page.type(`Start ${start}, A`, '60');
    expect(page.text('[role=status]')).toMatch(/becomes Trips/);
  });

  it('leaves out what is no reading, says which, and offers another line once five are filled', () => {
    const { page } = setUp();
    page.type(/^Base before/, '2');
    page.type('Start 1, A', 'about 26');
    expect(page.text('[role=status]')).toContain('“about 26” is not a number');
    expect(page.has('input', 'Start 6, A')).toBeFalse();
    for (const start of [1, 2, 3, 4, 5]) page.type(`Start ${start}, A`, '26');
    expect(page.has('input', 'Start 6, A')).toBeTrue();
  });
});
