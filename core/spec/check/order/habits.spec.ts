import { habitsOf } from '../../../src/check/order/habits.js';
import { consumerOf, type Consumer } from '../../../src/loads/consumer.js';
import type { Load } from '../../../src/rig-file/schema.js';
import { exampleLoad } from '../../example-rig.js';

const AC = { volts: 120, hertz: 60, current: 'ac' } as const;
const consumer = (id: string, usage: Load['usage']): Consumer =>
  consumerOf(exampleLoad(id, { w: 100, usage }), AC);

describe('the habits of a set (methods.md, rule 36)', () => {
  const [saw, extractor, fridge, lamp] = [
    consumer('saw', 'during-work'),
    consumer('extractor', 'left-on'),
    consumer('fridge', 'by-itself'),
    consumer('lamp', 'left-on'),
  ];
  const all = [saw, extractor, fridge, lamp];
  const habit = { load: 'extractor', offAtRestartOf: ['saw'] };
  const names = (list: readonly Consumer[]) => list.map(({ load }) => load.id);

  it('restart a tool, and what is switched for it by hand; what starts by itself does so at any moment', () => {
    const ticked = [{ load: 'saw' }, habit, { load: 'fridge', offAtRestartOf: ['saw'] }, { load: 'lamp' }];
    const { restarted, offBefore } = habitsOf(ticked, all);
    expect(names(restarted(all))).toEqual(['saw', 'extractor']);
    expect(offBefore('saw')).toEqual(['extractor', 'fridge']);
    expect(offBefore('lamp')).toEqual([]);
  });

  it('leave beside a restart what no habit has off', () => {
    const { besideRestart } = habitsOf([{ load: 'saw' }, habit, { load: 'lamp' }], all);
    expect(names(besideRestart(all, saw))).toEqual(['saw', 'fridge', 'lamp']);
    expect(besideRestart(all, extractor)).toBe(all);
  });

  it('mean nothing where the tool is not on', () => {
    const without = [extractor, fridge, lamp];
    expect(
      names(habitsOf([habit, { load: 'lamp', offAtRestartOf: ['fridge'] }], without).restarted(without)),
    ).toEqual([]);
  });
});
