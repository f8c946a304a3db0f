import { capitalised } from '../units/format.js';

/** Everything that a card says, in one place, so that a translation is another object of this form. */
export interface CardTexts {
  readonly language: string;
  readonly always: string;
  readonly oneAtATime: string;
  readonly together: string;
  readonly order: string;
  readonly never: (supply: string) => string;
  readonly nothing: string;
  readonly allOf: (items: readonly string[]) => string;
  readonly oneWithOne: (first: readonly string[], second: readonly string[]) => string;
  readonly mayJoin: (
    first: string,
    then: readonly string[],
  ) => { readonly strong: string; readonly rest: string };
  readonly waits: (items: readonly string[], minutes: number) => string;
  readonly inState: (item: string, state: string) => string;
  readonly needsSource: (items: readonly string[]) => string;
  readonly tooMuch: (items: readonly string[]) => string;
  readonly notHere: (items: readonly string[]) => string;
  readonly dips: { readonly head: string; readonly text: string };
  readonly dims: { readonly head: string; readonly text: string };
  readonly dark: string;
  readonly switchOffThese: string;
  readonly switchOffLast: string;
  readonly lookAtTheHookup: string;
  readonly lookAtTheGenerator: string;
  readonly reset: (device: string, where: string | undefined) => string;
  readonly wait: (items: readonly string[], minutes: number) => string;
  readonly oneByOne: string;
  readonly danger: (ask: string) => string;
  readonly somebody: string;
  readonly proved: string;
  readonly permission: string;
}

/** Names that are lists themselves are told apart by more than commas. */
const listNames = (names: readonly string[]): string =>
  names.length > 1 && names.some((name) => / and |,/.test(name)) ? names.join('; ') : plainList(names);

const plainList = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

const orNames = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} or ${names.at(-1) ?? ''}`;

const minutesWords = (minutes: number): string => `${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`;

export const ENGLISH: CardTexts = {
  language: 'en',
  always: 'Always fine',
  oneAtATime: 'One of these at a time',
  together: 'Together is fine',
  order: 'Order and waits',
  never: (supply) => `Not on ${supply}`,
  nothing: 'Nothing can be promised here: ask first.',
  allOf: listNames,
  oneWithOne: (first, second) =>
    first.length === 1
      ? `${first[0] ?? ''} with ${orNames(second)}`
      : `One of ${orNames(first)} with one of ${orNames(second)}`,
  mayJoin: (first, then) => ({
    strong: `${capitalised(orNames(then.map((item) => `the ${item}`)))} may join the running ${first}.`,
    rest: `Off before the ${first} starts again.`,
  }),
  waits: (items, minutes) => `${listNames(items)}: after it stops, wait ${minutesWords(minutes)}.`,
  inState: (item, state) => `${item}, on ${state}`,
  needsSource: (items) => `Only with the cord in: ${listNames(items)}`,
  tooMuch: (items) => `Too much here: ${listNames(items)}`,
  notHere: (items) => `To stay off here: ${listNames(items)}`,
  dips: { head: 'Lights dip for a blink', text: 'Normal when something starts.' },
  dims: { head: 'Lights stay dim, or a beep', text: 'Switch off what you started last.' },
  dark: 'All is dark?',
  switchOffThese: 'Switch off all that is one at a time.',
  switchOffLast: 'Switch off what you started last.',
  lookAtTheHookup: 'Look at the post: does it have power, is its breaker on?',
  lookAtTheGenerator: 'Look at the generator, outdoors: does it run, has it fuel, is its breaker on?',
  reset: (device, where) => `${device}${where ? `, ${where}` : ''}: off, count to ten, on.`,
  wait: (items, minutes) =>
    items.length > 0
      ? `Lights back? Wait ${minutesWords(minutes)}. ${listNames(items)} ${items.length > 1 ? 'start by themselves' : 'starts by itself'}.`
      : `Lights back? Wait ${minutesWords(minutes)}.`,
  oneByOne: 'Then one thing at a time. Note what had just started.',
  danger: (ask) => `Smell, smoke or heat, or dark again: leave it off and call ${ask}.`,
  somebody: 'whoever built this, or an electrician',
  proved: 'Each line checked in any order, with restarts. What is only likely is left out.',
  permission: 'Planning, no permission: local rules and licensed people come first.',
};
