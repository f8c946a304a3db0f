import type { Rig, SourceTest, Supply } from '@heliarch/core/rig';
import { smallRig } from '../storage/small-rig.testing';
import { TestBed } from '@angular/core/testing';
import type { LogTest } from '@heliarch/core/logbook';
import { LogEntries } from '../storage/log-entries';
import { ArrivalTest } from './arrival-test';
import { pedestalOf } from './shore-pedestal';
import { onPage } from './on-page.testing';

const shore: Supply = { id: 'shore', name: 'Shore', sources: ['inlet'] };

function rigWithInlet(): Rig {
  const small = smallRig();
  return {
    ...small,
    buses: [...small.buses, { id: 'in', name: 'Inlet', kind: 'ac', volts: 120, hertz: 60 }],
    sources: [{ id: 'inlet', name: 'Shore inlet', kind: 'inlet', bus: 'in' }],
    supplies: [...small.supplies, shore],
  };
}

function setUp() {
  const rig = rigWithInlet();
  const kept: SourceTest[] = [];
  const entries: LogTest[] = [];
  const put = (entry: LogTest): number => entries.push(entry);
  TestBed.configureTestingModule({ providers: [{ provide: LogEntries, useValue: { put } }] });
  const page = onPage(ArrivalTest, () => ({ rig, supply: shore, post: pedestalOf('point', rig, shore) }));
  page.fixture.componentInstance.kept.subscribe((test) => kept.push(test));
  const readings = (lightV: string, lightA: string, loadedV: string, loadedA: string): void => {
    page.type('Little on, V', lightV);
    page.type('Little on, A', lightA);
    page.type('Much on, V', loadedV);
    page.type('Much on, A', loadedA);
  };
  return { page, kept, entries, readings };
}

describe('an arrival test', () => {
  it('is of a post: a battery has none, and a post says what is known of it', () => {
    const rig = rigWithInlet();
    expect(pedestalOf('point', rig, rig.supplies[0]!)).toBeUndefined();
    expect(pedestalOf('point', rig, shore)?.line).toMatch(/^Two readings/);
    const tested: Supply = {
      ...shore,
      volts: { value: 121, basis: 'measured' },
      sourceOhms: { value: 0.25, basis: 'measured' },
    };
    expect(pedestalOf('point', rig, tested)?.line).toMatch(/^0\.25.ohm, 121.V with nothing on/);
  });

  it('finds the resistance from two readings by Ohm: (121 - 118.5) V / 10 A = 0.25 ohm (physics)', () => {
    const { page, kept, entries, readings } = setUp();
    readings('121', '0', '118.5', '10');
    expect(page.text('[role=status]')).toContain('0.25 ohm');
    page.press('Keep it for Shore');
    expect(kept[0]?.ohms).toBeCloseTo(0.25, 9);
    expect(entries.map(({ kind, supply }) => [kind, supply])).toEqual([['arrival', 'shore']]);
    expect(entries[0]?.readings.map(({ volts, amps }) => [volts, amps])).toEqual([
      [121, 0],
      [118.5, 10],
    ]);
  });

  it('takes a comma for a point, and names the reading that is none', () => {
    const { page, readings } = setUp();
    readings('121', '0', '118,5', '-1');
    expect(page.text()).toContain('Much on, A must be from 0 on');
    expect(page.text('[role=status]')).toBe('');
    page.type('Much on, A', '10');
    expect(page.text('[role=status]')).toContain('0.25 ohm');
  });

  it('gives no answer where the second reading has no more current than the first', () => {
    const { page, readings } = setUp();
    readings('121', '10', '121.5', '10');
    expect(page.text('[role=status]')).toContain('there must be more amps');
    expect(page.has('button', /^Keep/)).toBeFalse();
  });
});
