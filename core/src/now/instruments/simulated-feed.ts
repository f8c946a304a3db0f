import { randomNumbers } from '../../day/plan/random-numbers.js';
import { SECONDS_PER_HOUR } from '../../units/conversion-factors.js';
import { ACCURACY } from '../../reference/instruments.js';
import type { Rig } from '../../rig-file/schema.js';
import { compile } from '../../check/wiring/compile.js';
import {
  FEED_FORMAT,
  FEED_VERSION,
  type FeedHeader,
  type FeedSample,
  type Instrument,
} from './feed-format.js';
import { scenarioOf, type ScenarioId } from './scenarios.js';
import { simulatedRig, type TrueSecond } from './simulated-rig.js';

const BEGINS_AT_PERCENT = 78;
/** No two readings are quite alike. */
const FLICKER = 0.003;

/** The header of a simulated feed. */
export function simulatedHeader(rig: Rig, scenario: ScenarioId): FeedHeader {
  return {
    format: FEED_FORMAT,
    version: FEED_VERSION,
    simulated: 'yes',
    rig: rig.name,
    scenario,
    everyS: 1,
    accuracy: { ...ACCURACY },
  };
}

/**
 * The samples of a simulated feed, one a second, without end. Each instrument is wrong by a gain of its own within its
 * accuracy, rounds as its display does, and counts what it shows.
 *
 * @param fromS Seconds since 1970 at which it begins.
 * @param seed The same readings for the same seed.
 */
export function* simulatedSamples(
  rig: Rig,
  scenarioId: ScenarioId,
  fromS: number,
  seed: number,
): Generator<FeedSample, never> {
  const random = randomNumbers(seed);
  const gain = (instrument: Instrument): number => 1 + ACCURACY[instrument] * (2 * random() - 1);
  const gains = { battery: gain('battery'), output: gain('output'), inlet: gain('inlet') };
  const counted = { battery: 0, output: 0, inlet: 0 };
  const scenario = scenarioOf(rig, scenarioId);
  let output: FeedSample['output'];
  let second = 0;
  for (const now of simulatedRig(compile(rig), scenario, BEGINS_AT_PERCENT)) {
    const atS = fromS + second;
    const power = (instrument: Instrument, watts: number, volts: number) => {
      const shown = Math.round(watts * gains[instrument] * (1 + FLICKER * (2 * random() - 1)));
      counted[instrument] += shown / SECONDS_PER_HOUR;
      return {
        atS,
        volts: rounded(volts, 2),
        amps: volts > 0 ? rounded(shown / volts, 1) : 0,
        watts: shown,
        wattHours: rounded(counted[instrument], 3),
      };
    };
    const isStuck = scenario.stuck && scenario.stuck.fromS <= second && second < scenario.stuck.untilS;
    if (!isStuck) output = outputOf(now, power);
    yield {
      atS,
      ...(rig.batteries.length > 0 && {
        battery: { ...power('battery', now.batteryW, now.batteryV), percent: Math.round(now.percent) },
      }),
      ...(output && { output }),
      ...(now.isConnected && { inlet: power('inlet', now.inletW, now.inletV) }),
    };
    second += 1;
  }
  throw new Error('A simulated rig never ends');
}

type ShownPower = NonNullable<FeedSample['inlet']>;

function outputOf(
  { outputW, outputV, outputVA, peakVA }: TrueSecond,
  power: (instrument: Instrument, watts: number, volts: number) => ShownPower,
): NonNullable<FeedSample['output']> {
  return { ...power('output', outputW, outputV), va: Math.round(outputVA), peakVA: Math.round(peakVA) };
}

function rounded(value: number, decimals: number): number {
  const scale = 10 ** decimals;
  return Math.round(value * scale) / scale;
}
