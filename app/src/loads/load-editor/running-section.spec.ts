import { TestBed } from '@angular/core/testing';
import { validateRig } from '@heliarch/core/rig';
import { smallRig } from '../../storage/small-rig.testing';
import { SheetContext } from '../../parts/fields/sheet-context';
import { UnitChoice } from '../../parts/unit-choice';
import { onPage, sessionWith } from '../../parts/on-page.testing';
import { RunningSection } from './running-section';

function setUp(loadId: string) {
  const { rig } = sessionWith(smallRig());
  TestBed.configureTestingModule({ providers: [SheetContext] });
  TestBed.inject(UnitChoice).choose('us');
  TestBed.inject(SheetContext).target.set({ list: 'loads', id: loadId });
  const load = () => rig().loads.find(({ id }) => id === loadId)!;
  const page = onPage(RunningSection, () => ({ load: load(), part: load().parts[0], path: 'parts[0]' }));
  const way = (label: string): void => {
    const tab = [...page.host.querySelectorAll<HTMLInputElement>('input[type=radio]')].find(
      (each) => each.closest('label')?.textContent.trim() === label,
    );
    tab!.click();
    page.draw();
  };
  return { page, rig, load, way, derived: () => page.text('.derived') };
}

describe('the running power of a load', () => {
  it('follows from amps and volts: 10 A at 120 V, resistive, are 1,200 W', () => {
    const { page, way, derived, rig } = setUp('kettle');
    way('Amps');
    page.type('Running amps', '10');
    expect(derived()).toContain('= 1,200 W');
    expect(rig().loads[0]?.parts[0]?.runningW).toBeUndefined();
    expect(validateRig(rig()).ok).toBeTrue();
  });

  it('follows from VA and a power factor: 1,000 VA at 0.8 are 800 W', () => {
    const { page, way, derived } = setUp('saw');
    way('VA');
    page.type('Running VA', '1000');
    page.type('Power factor', '0.8');
    expect(derived()).toContain('= 800 W');
    expect(derived()).toContain('1,000 VA');
  });

  it('keeps what it has until the other figure is typed', () => {
    const { way, rig, derived } = setUp('kettle');
    way('Amps');
    expect(rig().loads[0]?.parts[0]?.runningW?.value).toBe(1200);
    expect(derived()).toContain('= 1,200 W');
    way('Watts');
    expect(validateRig(rig()).ok).toBeTrue();
  });
});
