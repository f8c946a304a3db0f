import { TestBed } from '@angular/core/testing';
import type { Rig } from '@heliarch/core/rig';
import { smallRig } from '../storage/small-rig.testing';
import { onPage, sessionWith } from '../parts/on-page.testing';
import { FitHeadline } from './fit-headline';
import { RigChecks } from './rig-checks';
import { RigState } from './rig-state';

/** A hookup whose neutral and ground nothing here can know. */
function withShore(rig: Rig): Rig {
  return {
    ...rig,
    buses: [...rig.buses, { id: 'in', name: 'Inlet', kind: 'ac', volts: 120, hertz: 60 }],
    sources: [{ id: 'shore', name: 'Shore inlet', kind: 'inlet', bus: 'in' }],
    converters: rig.converters.map((each) => ({ ...each, kind: 'inverter-charger', passThroughFrom: 'in' })),
    supplies: [...rig.supplies, { id: 'shore', name: 'Shore', sources: ['shore'] }],
  };
}

/** A 60 A fuse before an inverter that asks a 12 V bank for more than 160 A. */
function withSmallFuse(rig: Rig): Rig {
  return {
    ...rig,
    batteries: rig.batteries.map((battery) => ({ ...battery, fuse: { amps: 60, kind: 'class-t' as const } })),
  };
}

function withLargeFuse(rig: Rig): Rig {
  return {
    ...rig,
    batteries: rig.batteries.map((battery) => ({
      ...battery,
      fuse: { amps: 400, kind: 'class-t' as const },
    })),
  };
}

function setUp(rig: Rig) {
  sessionWith(rig);
  TestBed.configureTestingModule({ providers: [RigState] });
  const asked: boolean[] = [];
  const page = onPage(FitHeadline);
  page.fixture.componentInstance.more.subscribe(() => asked.push(true));
  return { page, asked, state: TestBed.inject(RigState), checks: onPage(RigChecks) };
}

describe('whether the parts fit', () => {
  it('names first what fits least, with what to do, and opens its sheet', () => {
    const { page, state, checks } = setUp(withSmallFuse(smallRig()));
    const [worst] = state.checks();
    expect(worst?.verdict).toBe('trips');
    expect(page.text()).toMatch(/Does not fit:/);
    expect(page.text()).toContain(worst!.fix!);
    page.press(worst!.title);
    expect(state.selected()).toEqual({ list: worst!.list, id: worst!.entryId });
    expect(checks.text('h2')).toMatch(/\d do not fit/);
  });

  it('says how many more there are, and leads to them', () => {
    const { page, asked, state } = setUp(withSmallFuse(withShore(smallRig())));
    const lacking = state.checks().filter(({ verdict }) => verdict !== 'holds').length;
    expect(page.text()).toMatch(/Does not fit:/);
    page.press(`and ${lacking - 1} more`);
    expect(asked).toEqual([true]);
  });

  it('shows what holds on request only', () => {
    const { checks, state } = setUp(withLargeFuse(withShore(smallRig())));
    const rows = (): number => checks.host.querySelectorAll('li').length;
    const all = state.checks().length;
    expect(rows()).toBe(1);
    checks.press(`Show the ${all - 1} that hold`);
    expect(rows()).toBe(all);
  });
});
