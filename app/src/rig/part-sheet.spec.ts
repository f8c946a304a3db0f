import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Rig } from '@heliarch/core/rig';
import { smallRig } from '../storage/small-rig.testing';
import { onPage, sessionWith } from '../parts/on-page.testing';
import { PartSheet } from './part-sheet';
import { RigState } from './rig-state';

function setUp(rig: Rig = smallRig()) {
  const session = sessionWith(rig);
  TestBed.configureTestingModule({ providers: [RigState, provideRouter([])] });
  const state = TestBed.inject(RigState);
  const page = onPage(PartSheet);
  const open = (...[list, id]: Parameters<RigState['select']>): void => {
    state.select(list, id);
    page.draw();
  };
  return { ...session, page, open };
}

describe('the sheet of what is selected', () => {
  it('echoes what volts and amp-hours come to: 100 Ah at 12 V are 1.2 kWh', () => {
    const { page, open } = setUp();
    open('batteries', 'bank');
    expect(page.text('.echo')).toBe('= 1.2 kWh at 12 V; 1.2 kWh above the reserve');
    page.type('Amp-hours', '200');
    expect(page.text('.echo')).toContain('= 2.4 kWh');
  });

  it('names batteries in series, where a bus of 24 V may have been meant for 12', () => {
    const { page, open } = setUp({
      ...smallRig(),
      buses: smallRig().buses.map((bus) => (bus.kind === 'dc' ? { ...bus, volts: 25.6 } : bus)),
    });
    open('batteries', 'bank');
    expect(page.text('.echo')).toContain('as 2 batteries of 12 V in series');
  });

  it('catches a tier below the continuous rating as it is typed', () => {
    const { page } = setUp();
    expect(page.text('.slip')).toBe('');
    page.type('Surge limit', '1500');
    expect(page.text('.slip')).toContain('a surge of 1500 VA is below the continuous 2000 VA');
  });

  it('shows of a load what belongs to its place, and leads to its editor', () => {
    const { page, open } = setUp();
    open('loads', 'kettle');
    expect(page.has('[role=combobox]', 'Circuit')).toBeTrue();
    expect(page.has('input', 'Running power')).toBeFalse();
    expect(page.text('a')).toBe('Its editor in Loads');
  });

  it('says what hangs on a part that is to be removed', () => {
    const { page, open, rig } = setUp();
    open('buses', 'out');
    page.press('Remove');
    expect(page.text('[role=alert]')).not.toBe('');
    expect(rig().buses.length).toBe(2);
  });
});
