import Ajv from 'ajv';
import { readFileSync } from 'node:fs';
import { readFeedSample, readKeptFeed, type FeedSample } from '../../../src/now/instruments/feed-format.js';
import { SCENARIOS, scenarioOf, type ScenarioId } from '../../../src/now/instruments/scenarios.js';
import { simulatedHeader, simulatedSamples } from '../../../src/now/instruments/simulated-feed.js';
import { simulatedRig, wattHoursOf } from '../../../src/now/instruments/simulated-rig.js';
import { startSeen } from '../../../src/now/instruments/starts-seen.js';
import { ACCURACY } from '../../../src/reference/instruments.js';
import { compile } from '../../../src/check/wiring/compile.js';
import { DEMO_NAMES, demoRig, type DemoName } from '../../demo-rigs.js';

const FROM_S = 1_780_000_000;

function take<T>(generator: Generator<T>, count: number): T[] {
  return Array.from({ length: count }, () => generator.next().value as T);
}

const samplesOf = (rig: DemoName, scenario: ScenarioId, count = 120): FeedSample[] =>
  take(simulatedSamples(demoRig(rig), scenario, FROM_S, 7), count);
const truthOf = (rig: DemoName, scenario: ScenarioId, count = 120) =>
  take(simulatedRig(compile(demoRig(rig)), scenarioOf(demoRig(rig), scenario), 78), count);

describe('the feed of simulated instruments', () => {
  it('closes its energy: counters are the sum of what was shown, and the charge falls by what was given', () => {
    for (const name of DEMO_NAMES) {
      const samples = samplesOf(name, 'compressor-kicks-in', 600);
      for (const instrument of ['battery', 'output'] as const) {
        const shown = samples.reduce((sum, sample) => sum + (sample[instrument]?.watts ?? 0), 0) / 3600;
        expect(samples.at(-1)![instrument]!.wattHours).toBeCloseTo(shown, 2);
      }
      const truth = truthOf(name, 'compressor-kicks-in', 600);
      const given = truth.slice(0, -1).reduce((sum, { batteryW }) => sum + batteryW, 0) / 3600;
      const fell = ((truth[0]!.percent - truth.at(-1)!.percent) / 100) * wattHoursOf(demoRig(name));
      expect(fell).toBeCloseTo(given, 6);
    }
  });

  it('disagrees with the truth within the accuracy that it says, and never by nothing', () => {
    const samples = samplesOf('tern', 'quiet-evening');
    const truth = truthOf('tern', 'quiet-evening');
    const off = samples.map((sample, index) => sample.output!.watts / truth[index]!.outputW - 1);
    const flicker = 0.005;
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(ACCURACY.output + flicker);
    expect(Math.max(...off.map(Math.abs))).toBeGreaterThan(0.001);
  });

  it('cycles, dips at starts and sags with what the battery gives', () => {
    const evening = samplesOf('tern', 'quiet-evening');
    const [before, at, after] = [evening[29]!, evening[30]!, evening[31]!];
    expect(after.output!.watts).toBeGreaterThan(before.output!.watts + 50);
    expect(at.output!.volts).toBeLessThan(after.output!.volts);
    expect(at.battery!.volts).toBeLessThan(before.battery!.volts);
    expect(startSeen(before, at, after)?.startVA).toBeGreaterThan(500);
    expect(startSeen(evening[0], evening[1], evening[2])).toBeUndefined();
  });

  it('drops out and comes back, goes stale and comes back', () => {
    const lost = samplesOf('tern', 'shore-lost');
    expect([0, 19, 20, 79, 80].map((second) => lost[second]!.inlet !== undefined)).toEqual([
      true,
      true,
      false,
      false,
      true,
    ]);
    expect(lost[25]!.battery!.watts).toBeGreaterThan(lost[19]!.battery!.watts + 100);
    const stuck = samplesOf('tern', 'meter-stuck');
    expect(stuck[50]!.atS - stuck[50]!.output!.atS).toBe(31);
    expect(stuck[60]!.output!.atS).toBe(stuck[60]!.atS);
  });

  it('is what the schema of the format says, and is read again line by line', () => {
    const schema = JSON.parse(
      readFileSync(new URL('../../../../docs/instrument-feed.schema.json', import.meta.url), 'utf8'),
    ) as { $defs: { header: object; sample: object } };
    const ajv = new Ajv();
    const [header, sample] = [ajv.compile(schema.$defs.header), ajv.compile(schema.$defs.sample)];
    for (const name of DEMO_NAMES)
      for (const scenario of SCENARIOS) {
        const lines: unknown[] = [simulatedHeader(demoRig(name), scenario), ...samplesOf(name, scenario, 90)];
        expect(header(lines[0])).withContext(JSON.stringify(header.errors)).toBeTrue();
        expect(lines.slice(1).every((each) => sample(each))).toBeTrue();
        const kept = readKeptFeed(lines.map((each) => JSON.stringify(each)).join('\n'));
        expect(JSON.parse(JSON.stringify(kept?.samples))).toEqual(JSON.parse(JSON.stringify(lines.slice(1))));
      }
    for (const bad of [{}, { atS: 'now' }, { atS: 1, battery: { watts: 3 } }]) {
      expect(sample(bad)).toBe(readFeedSample(bad) !== undefined);
    }
    const spoilt = `${JSON.stringify(simulatedHeader(demoRig('tern'), 'shore-lost'))}\n{"atS":1}\nnonsense\n`;
    expect(readKeptFeed(spoilt)).toEqual(jasmine.objectContaining({ unread: 1 }));
    expect(readKeptFeed('nonsense')).toBeUndefined();
  });
});
