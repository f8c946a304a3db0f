import fc from 'fast-check';
import { findTypicalLoads, TYPICAL_LOADS } from '../../src/reference/typical-loads.js';
import { valueAt, withValueAt } from '../../src/rig-file/document-path.js';
import { newDay } from '../../src/rig/day-edits.js';
import { withCopy, withEntry, withoutEntry, withoutPart } from '../../src/rig/entries.js';
import { ENTRY_LISTS, entriesOf } from '../../src/rig/entry-lists.js';
import { freeId } from '../../src/rig-file/free-names.js';
import { loadFromKind, newEntry } from '../../src/rig/new-entries.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { always } from '../always.js';
import { demoRig } from '../demo-rigs.js';

const tern = demoRig('tern');

describe('entries of a rig', () => {
  it('stay valid whatever is added, copied or removed, in any order', () => {
    const step = fc.record({
      list: fc.constantFrom(...ENTRY_LISTS),
      action: fc.constantFrom('add', 'copy', 'remove'),
      pick: fc.nat(40),
    });
    always(
      fc.property(fc.constantFrom('tern', 'marram'), fc.array(step, { maxLength: 12 }), (name, steps) => {
        const rig = steps.reduce((before, { list, action, pick }) => {
          if (action === 'add')
            return list === 'days'
              ? withEntry(before, list, newDay(before, '2026-06-21'))
              : list === 'loads'
                ? withEntry(before, list, loadFromKind(before, TYPICAL_LOADS[pick]!, before.circuits[0]!.id))
                : withEntry(before, list, newEntry(before, list));
          const entries = entriesOf(before, list);
          const id = entries[pick % Math.max(1, entries.length)]?.id ?? '';
          if (action === 'copy') return withCopy(before, list, id).rig;
          const removal = withoutEntry(before, list, id);
          return removal.ok ? removal.rig : before;
        }, demoRig(name));
        expect(validateRig(rig)).toEqual(jasmine.objectContaining({ ok: true }));
      }),
      { numRuns: 40 },
    );
  });

  it('are not removed while something hangs on them, and say what', () => {
    const refused = withoutEntry(tern, 'circuits', 'tools');
    expect(refused).toEqual({
      ok: false,
      because: 'Tools feeds Bandsaw and Dust extractor; move or remove them first',
    });
    const bus = withoutEntry(tern, 'buses', 'main');
    expect(bus.ok).toBe(false);
    const tied: Rig = { ...tern, ties: [{ follower: 'extractor', leader: 'bandsaw', delayS: 1 }] };
    const load = withoutEntry(tied, 'loads', 'bandsaw');
    expect(load.ok && load.rig.ties).toEqual([]);
  });

  it('lose a part with the states, stages and ticks that were of it alone', () => {
    const air = tern.loads.find(({ id }) => id === 'roof-air')!;
    const states = [
      { id: 'cool', name: 'Cool', parts: air.parts.map(({ id }) => ({ part: id, share: 1 })) },
      { id: 'dry', name: 'Dry', parts: [{ part: 'compressor', share: 0.5 }] },
    ];
    const programme = { stages: [{ state: 'dry', minutes: 5 }] };
    const rig: Rig = {
      ...tern,
      loads: tern.loads.map((load) => (load === air ? { ...air, states, programme } : load)),
      scenes: tern.scenes.map((scene) => ({ ...scene, on: [{ load: 'roof-air', state: 'dry' }] })),
    };
    expect(validateRig(rig).ok).toBe(true);
    const less = withoutPart(rig, 'roof-air', 'compressor');
    expect(validateRig(less).ok).toBe(true);
    const load = less.loads.find(({ id }) => id === 'roof-air')!;
    expect([load.parts.length, load.states?.length, load.programme]).toEqual([1, 1, undefined]);
    expect(less.scenes[0]!.on).toEqual([{ load: 'roof-air' }]);
  });

  it('get ids that nothing has yet', () => {
    expect(freeId('Dust extractor', ['dust-extractor'])).toBe('dust-extractor-2');
    expect(freeId('Säge  Nr. 1!', [])).toBe('sage-nr-1');
    expect(freeId('!!!', [])).toBe('part');
  });
});

describe('a place of a document', () => {
  it('takes a value, makes the way to it, and goes without leaving an empty group', () => {
    const longer = withValueAt(tern, 'batteries[0].cable.metres', 2);
    expect(valueAt(longer, 'batteries[0].cable')).toEqual({ metres: 2 });
    expect(valueAt(tern, 'batteries[0].cable')).toBeUndefined();
    expect(withValueAt(longer, 'batteries[0].cable.metres', undefined)).toEqual(tern);
    expect(withValueAt(tern, 'converters[0].tiers[1]', undefined).converters[0]!.tiers.length).toBe(2);
  });
});

describe('the library of typical loads', () => {
  it('has about sixty kinds, each with a range around its usual value and words to find it by', () => {
    expect(TYPICAL_LOADS.length).toBeGreaterThanOrEqual(60);
    expect(new Set(TYPICAL_LOADS.map(({ id }) => id)).size).toBe(TYPICAL_LOADS.length);
    for (const { parts } of TYPICAL_LOADS)
      for (const { watts } of parts) {
        expect(watts.low).toBeLessThan(watts.usual);
        expect(watts.usual).toBeLessThanOrEqual(watts.high);
      }
    expect(findTypicalLoads('fridge').map(({ id }) => id)).toContain('refrigerator');
    expect(findTypicalLoads('zeppelin')).toEqual([]);
  });

  it('holds the usual figures of its kinds (common practice, no published source)', () => {
    const watts = (id: string) => TYPICAL_LOADS.find((kind) => kind.id === id)!.parts[0]!.watts;
    for (const metered of [494, 553]) {
      expect(watts('window-air').low).toBeLessThan(metered);
      expect(watts('window-air').high).toBeGreaterThan(metered);
    }
    expect(watts('induction-hob').high).toBeGreaterThan(1800);
  });
});
