import { TestBed } from '@angular/core/testing';
import { validateRig, type Load } from '@heliarch/core/rig';
import { smallRig } from '../../storage/small-rig.testing';
import { SheetContext } from '../../parts/fields/sheet-context';
import { onPage, sessionWith } from '../../parts/on-page.testing';
import { StatesSection } from './states-section';

/** A fan with a heater: both in "High", the heater at less in "Low". */
function heaterWithFan(): Load {
  const [kettle] = smallRig().loads;
  return {
    ...kettle!,
    id: 'heater',
    name: 'Heater',
    parts: [
      { id: 'coil', name: 'Coil', kind: 'resistance-heater', runningW: { value: 1000, basis: 'measured' } },
      { id: 'fan', name: 'Fan', kind: 'resistance-heater', runningW: { value: 50, basis: 'measured' } },
    ],
    states: [
      {
        id: 'high',
        name: 'High',
        parts: [
          { part: 'coil', share: 1 },
          { part: 'fan', share: 1 },
        ],
      },
      {
        id: 'low',
        name: 'Low',
        parts: [
          { part: 'coil', share: 0.6 },
          { part: 'fan', share: 1 },
        ],
      },
    ],
  };
}

function setUp() {
  const { rig } = sessionWith({ ...smallRig(), loads: [heaterWithFan()] });
  TestBed.configureTestingModule({ providers: [SheetContext] });
  TestBed.inject(SheetContext).target.set({ list: 'loads', id: 'heater' });
  const page = onPage(StatesSection, () => ({ load: rig().loads[0] }));
  const states = () => rig().loads[0]?.states;
  const line = (place: number): string =>
    /= [\d,]+ W/.exec(
      page.host.querySelectorAll(`[aria-label="State ${place + 1}"]`)[0]?.textContent ?? '',
    )?.[0] ?? '';
  return { page, rig, states, line };
}

describe('the states of a load', () => {
  it('say what runs in each: 1,000 W at 60 % and a fan of 50 W are 650 W', () => {
    const { line } = setUp();
    expect([line(0), line(1)]).toEqual(['= 1,050 W', '= 650 W']);
  });

  it('take another share, in percent, and another name', () => {
    const { page, states, line, rig } = setUp();
    page.type('Coil, share', '80');
    page.type('Name', 'Full');
    expect(states()?.[0]).toEqual(
      jasmine.objectContaining({
        name: 'Full',
        parts: [
          { part: 'coil', share: 0.8 },
          { part: 'fan', share: 1 },
        ],
      }),
    );
    expect(line(0)).toBe('= 850 W');
    expect(validateRig(rig()).ok).toBeTrue();
  });

  it('let a part rest in one of them and run again, and never be left with none', () => {
    const { page, states, line } = setUp();
    page.press('Take Coil out of Low');
    expect(states()?.[1]?.parts).toEqual([{ part: 'fan', share: 1 }]);
    expect(line(1)).toBe('= 50 W');
    expect(page.has('button', 'Take Fan out of Low')).toBeFalse();
    page.press('Let Coil run in Low');
    expect(line(1)).toBe('= 1,050 W');
  });

  it('go one by one', () => {
    const { page, states } = setUp();
    page.press('Remove the state High');
    expect(states()?.map(({ id }) => id)).toEqual(['low']);
  });
});
