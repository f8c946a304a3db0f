import { TestBed } from '@angular/core/testing';
import { validateRig, type Rig, type StartFrom } from '@heliarch/core/rig';
import { smallRig } from '../../storage/small-rig.testing';
import { SheetContext } from '../../parts/fields/sheet-context';
import { UnitChoice } from '../../parts/unit-choice';
import { onPage, sessionWith } from '../../parts/on-page.testing';
import { StartSection } from './start-section';

/** The saw with figures of its nameplate beside the VA that count. */
function withStart(rig: Rig, from: StartFrom): Rig {
  return {
    ...rig,
    loads: rig.loads.map((load) => ({
      ...load,
      parts: load.parts.map((part) => ({ ...part, ...(part.start && { start: { ...part.start, from } }) })),
    })),
  };
}

function setUp(change: (rig: Rig) => Rig = (rig) => rig) {
  const { rig, keys } = sessionWith(change(smallRig()));
  TestBed.configureTestingModule({ providers: [SheetContext] });
  TestBed.inject(UnitChoice).choose('us');
  TestBed.inject(SheetContext).target.set({ list: 'loads', id: 'saw' });
  const saw = () => rig().loads.find(({ id }) => id === 'saw')!;
  const page = onPage(StartSection, () => ({ load: saw(), part: saw().parts[0], path: 'parts[0]' }));
  const way = (label: string): void => {
    const tab = [...page.host.querySelectorAll<HTMLInputElement>('input[type=radio]')].find(
      (each) => each.closest('label')?.textContent.trim() === label,
    );
    tab!.click();
    page.draw();
  };
  const derived = (): string => page.text('.derived');
  return { page, rig, saw, way, derived, keys };
}

describe('the start of a load', () => {
  it('is shown with its doubt, its seconds and its multiple of what runs', () => {
    const { derived } = setUp();
    expect(derived()).toMatch(
      /^= 3,000 VA, with the doubt 2,910 VA to 3,090 VA · 0\.6 s · [\d.]+ times running · as entered$/,
    );
  });

  it('follows from locked-rotor amps at the volts of its circuit: 30 A at 120 V are 3,600 VA', () => {
    const { page, way, derived, rig, saw, keys } = setUp();
    way('Locked rotor');
    expect(rig().loads[1]?.parts[0]?.start?.va?.value).withContext('kept until there is another').toBe(3000);
    page.type('Locked-rotor amps', '30');
    expect(derived()).toContain('= 3,600 VA');
    expect(derived()).toContain('from locked-rotor amps');
    expect(saw().parts[0]?.start?.va).toBeUndefined();
    expect(new Set(keys).size).withContext('one step back').toBe(1);
    expect(validateRig(rig()).ok).toBeTrue();
  });

  it('goes by another figure without taking away what waits beside it', () => {
    const { page, way } = setUp();
    way('Locked rotor');
    page.type('Power factor at the start', '7');
    page.type('Locked-rotor amps', '30');
    const waiting = TestBed.inject(SheetContext).value('parts[0].start.powerFactor');
    expect(waiting).toEqual(jasmine.objectContaining({ value: 7 }));
  });

  it('is the usual multiple of its kind where nothing better is known, and marked so', () => {
    const { way, derived } = setUp();
    way('Typical');
    expect(derived()).toContain('from the usual multiple of its kind');
  });

  it('is not changed by looking at another way, nor done again when it is undone', () => {
    const { page, rig, way, saw } = setUp((small) =>
      withStart(small, { lockedRotorA: { value: 30, basis: 'nameplate' } }),
    );
    const before = rig();
    way('Locked rotor');
    expect(saw().parts[0]?.start?.va?.value).toBe(3000);
    way('Typical');
    expect(saw().parts[0]?.start?.va).toBeUndefined();
    rig.set(before);
    page.draw();
    expect(saw().parts[0]?.start?.va?.value).toBe(3000);
    expect(page.has('input', 'Start')).withContext('the way it is known by is open again').toBeTrue();
  });

  it('is never none for a motor, and elsewhere none is said outright where its kind usually has one', () => {
    expect(() => setUp().way('None')).toThrow();
    TestBed.resetTestingModule();
    const { way, derived, saw } = setUp((rig) => ({
      ...rig,
      loads: rig.loads.map((load) =>
        load.id === 'saw'
          ? {
              ...load,
              parts: load.parts.map((part) => ({ ...part, kind: 'microwave-transformer' as const })),
            }
          : load,
      ),
    }));
    way('None');
    expect(saw().parts[0]?.start).toEqual({ none: 'yes' });
    expect(derived()).toBe('It starts with what it runs on.');
  });

  it('taken from a clamp behind a soft starter is what was seen, not what the motor would do without', async () => {
    const { page, saw } = setUp((rig) => ({
      ...rig,
      loads: rig.loads.map((load) =>
        load.id === 'saw'
          ? {
              ...load,
              parts: load.parts.map((part) => ({
                ...part,
                start: { ...part.start, soft: { remaining: { value: 0.4, basis: 'data-sheet' as const } } },
              })),
            }
          : load,
      ),
    }));
    page.press('Measure it with a clamp meter');
    await page.fixture.whenStable();
    await page.fixture.whenStable();
    page.type(/^Base before/, '1');
    page.type('Start 1', '13');
    page.press('Put them in the place of three that agree');
    expect(saw().parts[0]?.start?.softStarter).toBe('yes');
    expect(saw().parts[0]?.start?.va?.value).toBe(1440);
  });
});
