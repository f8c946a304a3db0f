import { withCharge } from '@heliarch/core/rig';
import { rigFromAnswers } from '@heliarch/core/describe';
import { liveNumbers } from '../live-numbers';
import { batteryLines, converterLines, deviceWords, sourceLines } from './part-words';

const rig = withCharge(
  rigFromAnswers({
    name: 'Mine',
    mains: 'na-120',
    chemistry: 'lfp',
    inverterVA: 3000,
    tiers: [{ va: 6000, seconds: 0.5 }],
    hookups: [{ amps: 30 }],
    circuits: [],
    loads: [],
  }),
  'now',
  82,
  '2026-06-12T10:24:00Z',
);
const scene = rig.scenes[0]!;
const live = liveNumbers(rig, scene);
const texts = (lines: readonly { text: string }[]) => lines.map(({ text }) => text);

describe('the words at a part of the diagram', () => {
  it('are its ratings, and what the user read with its age', () => {
    const now = Date.parse('2026-06-12T10:36:00Z');
    expect(texts(batteryLines('point', rig, rig.batteries[0]!, scene, live, now))).toEqual([
      '100 Ah LFP',
      '82 %, read 12 min ago',
    ]);
    expect(texts(converterLines('point', rig.converters[0]!, live))).toEqual([
      '3,000 VA',
      '6,000 VA for 0.5 s',
    ]);
    expect(deviceWords('point', rig, 'breaker', 'converters', 'inverter')).toBe('');
  });

  it('say what flows in the set, and nothing where nothing flows', () => {
    expect(texts(sourceLines('point', rig.sources[0]!, live))).toEqual(['not connected']);
    const onShore = liveNumbers(rig, { ...scene, supply: 'shore' });
    expect(texts(sourceLines('point', rig.sources[0]!, onShore))[0]).toMatch(/^connected$|A in your set$/);
    const running = { ...live, va: new Map([['inverter', 1234]]) };
    expect(texts(converterLines('point', rig.converters[0]!, running)).at(-1)).toBe('1,234 VA in your set');
  });
});
