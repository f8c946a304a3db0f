import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Rig } from '@heliarch/core/rig';
import { fieldValue, RigEdits, type Target } from './rig-edits';
import { RigSession } from './rig-session';
import { smallRig } from './small-rig.testing';

const BANK: Target = { list: 'batteries', id: 'bank' };

function setUp() {
  const rig = signal<Rig>(smallRig());
  const labels: string[] = [];
  const change = (edit: (rig: Rig) => Rig, { label }: { label: string }) => {
    rig.update(edit);
    labels.push(label);
  };
  TestBed.configureTestingModule({ providers: [{ provide: RigSession, useValue: { rig, change } }] });
  return { rig, labels, edits: TestBed.inject(RigEdits) };
}

describe('edits of single fields', () => {
  it('are taken at once where the rig can take them, each under its name', () => {
    const { rig, labels, edits } = setUp();
    edits.set(BANK, 'ampHours', { value: 250, basis: 'measured' });
    expect(rig().batteries[0]?.ampHours.value).toBe(250);
    expect(labels).toEqual(['change Battery "Bank", amp-hours']);
    expect(edits.problems()).toEqual([]);
  });

  it('wait with the reason until what is missing is there, and are taken together', () => {
    const { rig, edits } = setUp();
    edits.set(BANK, 'fuse', {});
    edits.set(BANK, 'fuse.amps', 200);
    expect(rig().batteries[0]?.fuse).toBeUndefined();
    expect(edits.waitsAt(BANK)).toBeTrue();
    expect(fieldValue(edits.shown()!, BANK, 'fuse.amps')).toBe(200);
    expect(edits.problems().map(({ path }) => path)).toEqual(['batteries[0].fuse.kind']);
    edits.set(BANK, 'fuse.kind', 'class-t');
    expect(rig().batteries[0]?.fuse).toEqual({ amps: 200, kind: 'class-t' });
    expect(edits.waitsAt(BANK)).toBeFalse();
  });

  it('of other fields go on while one waits', () => {
    const { rig, edits } = setUp();
    edits.set(BANK, 'ampHours', { value: -4, basis: 'measured' });
    edits.set(BANK, 'name', 'House bank');
    expect(rig().batteries[0]?.name).toBe('House bank');
    expect(rig().batteries[0]?.ampHours.value).toBe(100);
    edits.discard(BANK);
    expect(edits.problems()).toEqual([]);
  });

  it('stay with their rig: another rig that is opened does not see them', () => {
    const { rig, edits } = setUp();
    edits.set(BANK, 'fuse', {});
    rig.set({ ...smallRig('Other'), id: 'other' });
    expect(edits.waitsAt(BANK)).toBeFalse();
    expect(edits.shown()?.batteries[0]?.fuse).toBeUndefined();
  });

  it('of a list stay with their entries when one before them goes, and leave no step when taken back', () => {
    const { rig, labels, edits } = setUp();
    const INVERTER: Target = { list: 'converters', id: 'inverter' };
    const tiers = () => rig().converters[0]!.tiers.map(({ limit }) => limit.value);
    edits.set(INVERTER, 'tiers[1]', { unit: 'VA' });
    edits.set(INVERTER, 'tiers[1].limit', { value: 6000, basis: 'data-sheet' });
    edits.set(INVERTER, 'tiers[0]', undefined);
    expect(tiers()).toEqual([]);
    edits.set(INVERTER, 'tiers[0].seconds', 0.5);
    expect(tiers()).toEqual([6000]);
    expect(edits.waitsAt(INVERTER)).toBeFalse();

    const steps = labels.length;
    edits.set(INVERTER, 'tiers[1]', { unit: 'VA' });
    edits.set(INVERTER, 'tiers[1]', undefined);
    expect(edits.waitsAt(INVERTER)).toBeFalse();
    expect(labels.length).toBe(steps);
  });
});
