import { secondsOfHeat } from '../../../src/check/limits/heated-conductor.js';
import { consumerOf } from '../../../src/loads/consumer.js';
import type { Load } from '../../../src/rig-file/schema.js';
import { exampleLoad } from '../../example-rig.js';

const AC = { volts: 120, hertz: 60, current: 'ac' } as const;

describe('how long a load heats a conductor', () => {
  const seconds = (load: Partial<Load>): number =>
    secondsOfHeat(consumerOf({ ...exampleLoad('kettle', { w: 1500 }), ...load }, AC));

  it('is its minutes where a hand switches it for less than ten, and for ever otherwise (methods.md, rule 49)', () => {
    expect(seconds({ runsMinutes: 4 })).toBe(240);
    expect(seconds({ runsMinutes: 10 })).toBe(Infinity);
    expect(seconds({})).toBe(Infinity);
    expect(seconds({ runsMinutes: 4, usage: 'by-itself' })).toBe(Infinity);
    expect(seconds({ runsMinutes: 4, cycling: { onMinutes: 2, offMinutes: 2 } })).toBe(Infinity);
  });
});
