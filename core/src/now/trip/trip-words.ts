import type { Inspection, InspectionOf } from './inspections.js';
import type { Device } from './trip-devices.js';
import type { TripCause } from './trip-causes.js';
import type { RecoveryStep } from './recovery-steps.js';
import type { NumberStyle } from '../../units/number-style.js';
import { capitalised } from '../../units/format.js';
import type { DeviceKind } from '../../reference/trip-signs.js';
import { inSentence, theLoad } from '../../rig/names-in-sentences.js';
import type { Rig } from '../../rig-file/schema.js';
import type { Verdict } from '../../check/verdict.js';
import { explain, explainLimit, listNames, plainText } from '../../words/explain.js';
import { makesRoomWords, shortWait, switchOnWords } from '../switch-on-words.js';

/** A cause as it is said: what opened, and why. */
export interface CauseWords {
  readonly what: string;
  readonly why: string;
  /** Where the device is. */
  readonly where: string;
}

/** What opened, as the beginning of a sentence. */
function opened({ kind, name }: Device): string {
  const breaker = /breaker$/i.test(name) ? name : `${name} breaker`;
  const said: Readonly<Record<DeviceKind, string>> = {
    inverter: `The ${inSentence(name)} shut down`,
    'inverter-low-volts': `The ${inSentence(name)} cut off on low volts`,
    battery: 'The battery cut itself off',
    'battery-fuse': 'The battery fuse blew',
    'branch-breaker': `The ${breaker} tripped`,
    'output-breaker': 'The inverter’s output breaker tripped',
    'inlet-breaker': 'The breaker of your own inlet tripped',
    'source-breaker': 'The breaker at the hookup tripped',
    generator: 'The generator stalled or cut out',
    'source-lost': 'The hookup itself is dark',
    'residual-current': 'A residual-current device tripped',
    'own-protector': `${capitalised(theLoad(name))} stopped by its own protector`,
  };
  return said[kind];
}

/** Why a device opens that no sum of loads explains. */
const WITHOUT_A_SUM: Partial<Record<DeviceKind, string>> = {
  'source-lost':
    'Nothing that was on asks too much: the post, the cord or the whole place may be without power.',
  'residual-current':
    'Current leaks to earth: a wet plug, a heater element, a damaged cord. Never bridge it, never take it out.',
  'own-protector': 'Its motor was too hot or could not turn. It comes back by itself once it is cool.',
};

export function causeWords(style: NumberStyle, rig: Rig, { device, limit }: TripCause): CauseWords {
  const sum = limit ? plainText(explainLimit(style, rig, limit)) : '';
  const isUnlikely = limit?.verdict === 'holds';
  return {
    what: opened(device),
    why: WITHOUT_A_SUM[device.kind] ?? (isUnlikely ? `By the numbers it should have held. ${sum}` : sum),
    where: device.resetAt ?? '',
  };
}

/** A look as a question with its two answers. */
export interface LookWords {
  readonly asks: string;
  readonly yes: string;
  readonly no: string;
}

export function inspectionWords(look: Inspection): LookWords {
  return { asks: ASKS[look.at](look.device), yes: ANSWERS[look.at][0], no: ANSWERS[look.at][1] };
}

const ASKS: Readonly<Record<InspectionOf, (device: Device) => string>> = {
  handle: ({ name, resetAt }) =>
    `Does the handle of the ${name} breaker${resetAt ? `, ${resetAt},` : ''} stand in the middle or off?`,
  panel: () => 'Is the inverter’s own panel lit?',
  'low-volts': () => 'Does the battery show low volts, or next to no charge?',
  neighbours: () => 'Is there power at the post, or at the neighbours’?',
  'test-button': () => 'Does a residual-current device (the one with a test button) stand at off?',
  'other-load': () => 'Does anything else on the same outlets still work?',
  posts: () => 'Do the battery’s own posts show volts, by its display or a meter?',
  'generator-runs': () => 'Does the generator still run?',
};

const ANSWERS: Readonly<Record<InspectionOf, readonly [string, string]>> = {
  handle: ['Yes, it does', 'No, it is on'],
  panel: ['Lit', 'Dark'],
  'low-volts': ['Yes, low', 'No'],
  neighbours: ['Yes', 'No, all dark'],
  'test-button': ['Yes', 'No'],
  'other-load': ['Yes', 'No, nothing'],
  posts: ['Yes', 'None'],
  'generator-runs': ['It runs', 'It stands'],
};

/** A step of the way back, in words. */
export interface StepWords {
  readonly does: string;
  readonly detail: string;
  /** Of what is on then, where it was checked. */
  readonly verdict: Verdict | undefined;
  /** Seconds after the trip until it may be done. */
  readonly afterS: number | undefined;
}

export function stepWords(style: NumberStyle, rig: Rig, step: RecoveryStep): StepWords {
  switch (step.step) {
    case 'off':
      return {
        does: `Off: ${namesOf(step.loads)}`,
        detail: 'At their own switches, before anything is reset.',
        verdict: undefined,
        afterS: undefined,
      };
    case 'reset':
      return {
        does: resetWords(step.device),
        detail: [
          ...(step.device.resetAt ? [`${capitalised(step.device.resetAt)}.`] : []),
          ...(step.byThemselves.length > 0
            ? [
                `Then ${namesOf(step.byThemselves)} ${step.byThemselves.length > 1 ? 'start' : 'starts'} without you.`,
              ]
            : []),
        ].join(' '),
        verdict: undefined,
        afterS: undefined,
      };
    case 'wait':
      return {
        does: `Wait ${shortWait(step.afterS)} from the trip`,
        detail: `Before ${namesOf(step.loads)}: pressure must fall, or a starter lets go.`,
        verdict: undefined,
        afterS: step.afterS,
      };
    case 'on': {
      const said = explain(style, rig, step.result);
      return {
        does: `On, one by one: ${namesOf(step.loads)}`,
        detail:
          [said.word, said.condition].filter(Boolean).join(' ') + (said.action ? `. ${said.action}` : ''),
        verdict: step.result.verdict,
        afterS: undefined,
      };
    }
    case 'last':
      return lastWords(style, rig, step);
  }
}

function lastWords(
  style: NumberStyle,
  rig: Rig,
  { load, answer }: Extract<RecoveryStep, { readonly step: 'last' }>,
): StepWords {
  const { detail, mark } = switchOnWords(style, rig, answer, undefined, 0, () => '');
  const name = theLoad(load.name);
  if (answer.answer === 'yes') return { does: `Last: ${name}`, detail, verdict: 'holds', afterS: undefined };
  if (!answer.room)
    return {
      does: `Leave ${name} off on this supply`,
      detail,
      verdict: mark === 'tight' || mark === 'likely-trips' ? mark : 'trips',
      afterS: undefined,
    };
  return {
    does: `${makesRoomWords(style, rig, load.id, answer.room.change)}: then ${name}, last`,
    detail: 'Holds then. Not before.',
    verdict: 'holds',
    afterS: undefined,
  };
}

function resetWords({ kind, name }: Device): string {
  const breaker = /breaker$/i.test(name) ? name : `${name} breaker`;
  const said: Readonly<Record<DeviceKind, string>> = {
    inverter: `Reset the ${inSentence(name)}: off, count to ten, on`,
    'inverter-low-volts': 'Charge first: sun, hookup or generator. Then the inverter off and on',
    battery: 'Take the load off the battery, or charge it, until it lets go',
    'battery-fuse': 'Leave it: a fuse at the battery is replaced by someone who knows why it blew',
    'branch-breaker': `Reset the ${breaker}: fully off, then on`,
    'output-breaker': 'Reset the output breaker: fully off, then on',
    'inlet-breaker': 'Reset the breaker of the inlet: fully off, then on',
    'source-breaker': 'Reset the breaker at the hookup: fully off, then on',
    generator: 'Let the generator cool with nothing on, then start it',
    'source-lost': 'Ask at the hookup, and stay on the battery until it is back',
    'residual-current':
      'While it is off, unplug everything on it; set it once, then plug in one after the other, each switched off',
    'own-protector': 'Switch it off and let it cool',
  };
  return said[kind];
}

const namesOf = (loads: readonly { readonly name: string }[]): string =>
  listNames(loads.map(({ name }) => inSentence(name)));
