import { batteryStoreOf, storeAt } from '../../src/battery/battery-store.js';
import { CHARGE_KEPT } from '../../src/reference/batteries.js';
import type { Battery, Rig } from '../../src/rig-file/schema.js';
import { exampleRig, q } from '../example-rig.js';

const bank = (more: Partial<Battery>): Battery => ({
  id: 'bank',
  name: 'Bank',
  bus: 'dc',
  ampHours: q(100, 'nameplate'),
  ...more,
});
const storeOf = (batteries: readonly Battery[], more: Partial<Rig> = {}) =>
  batteryStoreOf({ ...exampleRig({}), batteries: [...batteries], ...more });

describe('a store of energy', () => {
  it('is amp-hours times the volts of its bus, with the largest reserve of its batteries', () => {
    const house = { id: 'house', name: 'House', kind: 'dc' as const, volts: 24 };
    const batteries = [bank({ reservePercent: 20 }), bank({ id: 'other', bus: 'house', reservePercent: 10 })];
    const store = storeOf(batteries, { buses: [...exampleRig({}).buses, house] });
    expect([store.fullWh, store.reserveWh]).toEqual([3600, 720]);
  });

  it('holds what its batteries hold, each by its own doubt: 100 Ah of a run-down and 300 of a plate, 91.75 to 108.25 %', () => {
    const { holds } = storeOf([
      bank({ ampHours: q(100, 'measured') }),
      bank({ id: 'other', ampHours: q(300, 'nameplate') }),
    ]);
    expect(holds.lo).toBeCloseTo(0.9175, 9);
    expect([holds.stated, holds.hi]).toEqual([1, 1.0825]);
  });

  it('of less takes a larger share for the same watts, drawn or put in, and takes up less (arithmetic)', () => {
    const store = storeOf([bank({ chemistry: 'lfp' })]);
    const least = storeAt(store, 'lo');
    expect(least.drawnWh(45)).toBeCloseTo(50, 9);
    expect(least.acceptsW(600)).toBeCloseTo(0.9 * store.acceptsW(600), 9);
    expect(least.kept).toBeCloseTo(store.kept / 0.9, 9);
    expect(least.fullWh).toBe(store.fullWh);
    // What was read at an edge is not in doubt any more.
    expect(least.holds).toEqual({ lo: 1, stated: 1, hi: 1 });
    expect(storeAt(least, 'lo').drawnWh(45)).toBe(least.drawnWh(45));
    expect(storeAt(store, 'stated')).toBe(store);
    expect(storeAt(store, 'hi').drawnWh(55)).toBeCloseTo(50, 9);
  });

  it('keeps of a charge what its batteries keep by their share, lithium where nothing is said', () => {
    expect(storeOf([bank({})]).kept).toBe(CHARGE_KEPT.lfp);
    const both = storeOf([bank({ chemistry: 'lfp' }), bank({ id: 'lead', chemistry: 'flooded' })]);
    expect(both.kept).toBeCloseTo((CHARGE_KEPT.lfp + CHARGE_KEPT.flooded) / 2, 9);
    expect(storeOf([bank({})]).acceptsW(300)).toBe(storeOf([bank({ chemistry: 'lfp' })]).acceptsW(300));
  });

  it('takes up in the cold with its lead alone (common practice, no published source)', () => {
    const lead = bank({ id: 'lead', chemistry: 'flooded' });
    const cold = { conditions: { batteryC: -5 } };
    expect(storeOf([bank({ chemistry: 'lfp' })], cold).acceptsW(300)).toBe(0);
    expect(storeOf([lead], cold).acceptsW(300)).toBe(storeOf([lead]).acceptsW(300));
    expect(
      storeOf([bank({ chemistry: 'lfp' })], { conditions: { batteryC: 0 } }).acceptsW(300),
    ).toBeGreaterThan(0);
  });

  it('gives what it is rated for at its rate, less beyond it, and nothing gives nothing (Peukert)', () => {
    // 100 Ah in 20 h are 5 A
    const lead = storeOf([bank({ chemistry: 'flooded' })]);
    expect(lead.drawnWh(60)).toBe(60);
    expect(lead.drawnWh(61)).toBeGreaterThan(61);
    expect([lead.drawnWh(0), lead.drawnWh(-60)]).toEqual([0, -60]);
    const none = storeOf([]);
    expect([none.fullWh, none.kept, none.holds.lo]).toEqual([0, 1, 1]);
  });
});
