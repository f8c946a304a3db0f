import type { OrderedStep, ReadingStep } from './read/order-of-readings.js';

const STEPS: Readonly<Record<ReadingStep, string>> = {
  'base-before': 'Base before, the load off',
  'clamp-one': 'Clamp ONE conductor; both together read next to nothing',
  starts: 'Starts, at least one at its worst: warm, against pressure',
  'running-2': 'Running, after two minutes',
  'running-15': 'Running, after a quarter of an hour',
  readings: 'Readings at whatever moment',
  cycles: 'Whole cycles',
  'little-on': 'Volts and amps with little on',
  'much-on': 'Volts and amps with a heater or kettle on',
  warm: 'The same after half an hour, an infrared thermometer at the plug',
  'base-after': 'Base after, the load off',
};

const FAULTS: Readonly<Record<NonNullable<OrderedStep['because']>, string>> = {
  'base-moved': 'Spoiled: before and after differ by more than 5 %. Something else switched.',
  'starts-apart': 'Fewer than three starts agree within 10 %: go on until three do.',
};

/** A step of the order of readings in words. */
export function orderWords({ step, count, wanted, because }: OrderedStep): {
  readonly what: string;
  readonly count: string;
  readonly fault: string;
} {
  return {
    what: STEPS[step],
    count: wanted <= 1 ? '' : count > wanted ? `${count}` : `${count} of ${wanted}`,
    fault: because ? FAULTS[because] : '',
  };
}
