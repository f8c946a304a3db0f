import { TestBed } from '@angular/core/testing';
import { validateRig, type Rig } from '@heliarch/core/rig';
import type { Target } from '../../storage/rig-edits';
import { smallRig } from '../../storage/small-rig.testing';
import { onPage, sessionWith } from '../on-page.testing';
import { UnitChoice } from '../unit-choice';
import { FieldGroup } from './field-group';
import { SheetContext } from './sheet-context';

function sheetOf(target: Target, rig: Rig = smallRig(), system: 'us' | 'metric' = 'us') {
  const session = sessionWith(rig);
  TestBed.configureTestingModule({ providers: [SheetContext] });
  TestBed.inject(UnitChoice).choose(system);
  TestBed.inject(SheetContext).target.set(target);
  const page = onPage(FieldGroup);
  const labels = (): readonly string[] =>
    [...page.host.querySelectorAll('label[for]')].map((label) => label.textContent.trim());
  return { ...session, page, labels };
}

const INVERTER: Target = { list: 'converters', id: 'inverter' };
const BANK: Target = { list: 'batteries', id: 'bank' };
const MAIN: Target = { list: 'circuits', id: 'main' };

describe('the sheet of a part', () => {
  it('asks for a leg only where a bus has two, or where one is entered', () => {
    const twoLegs = (rig: Rig): Rig => ({
      ...rig,
      buses: rig.buses.map((bus) => (bus.id === 'out' ? { ...bus, poles: 'split-180' as const } : bus)),
    });
    expect(sheetOf(INVERTER).labels()).not.toContain('Leg it feeds');
    TestBed.resetTestingModule();
    expect(sheetOf(INVERTER, twoLegs(smallRig())).labels()).toContain('Leg it feeds');
    TestBed.resetTestingModule();
    const entered: Rig = {
      ...smallRig(),
      circuits: smallRig().circuits.map((circuit) => ({ ...circuit, pole: 'l1' as const })),
    };
    expect(sheetOf(MAIN, entered).labels()).toContain('Pole');
  });

  it('asks for wire by the scale it is sold by here', () => {
    const wired: Rig = {
      ...smallRig(),
      batteries: smallRig().batteries.map((battery) => ({ ...battery, cable: { metres: 2 } })),
    };
    const asked = (system: 'us' | 'metric'): string => sheetOf(BANK, wired, system).page.text();
    const us = asked('us');
    TestBed.resetTestingModule();
    const metric = asked('metric');
    expect(us).toContain('Wire size, AWG');
    expect(metric).toContain('mm²');
    expect(us).not.toContain('mm²');
  });

  it('has a line for each tier, takes one more and gives one up', () => {
    const { page, rig } = sheetOf(INVERTER);
    const tiers = () => rig().converters[0]?.tiers ?? [];
    expect(tiers().length).toBe(1);
    page.press('Add to surge tiers');
    expect(tiers().length).withContext('not before it says how much').toBe(1);
    const line = page.host.querySelector('[aria-label="surge tiers 2"]')!;
    const boxes = line.querySelectorAll('input');
    for (const [at, text] of ['5000', '0.5'].entries()) {
      boxes[at]!.value = text;
      boxes[at]!.dispatchEvent(new Event('input'));
      page.draw();
    }
    expect(tiers().map(({ limit, seconds }) => [limit.value, seconds])).toEqual([
      [4000, 5],
      [5000, 0.5],
    ]);
    expect(validateRig(rig()).ok).toBeTrue();
    page.press('Remove surge tiers 1');
    expect(tiers().map(({ limit }) => limit.value)).toEqual([5000]);
  });

  it('begins a group that may be there or not, and takes it away again', () => {
    const { page, rig } = sheetOf(INVERTER);
    page.press('Add output breaker');
    expect(rig().converters[0]?.outputBreaker).withContext('waits for its size').toBeUndefined();
    page.type('Breaker size', '30');
    expect(rig().converters[0]?.outputBreaker)
      .withContext('with the usual curve')
      .toEqual({ amps: 30, curve: 'ul-489' });
    page.press('Remove output breaker');
    expect(rig().converters[0]?.outputBreaker).toBeUndefined();
  });
});
