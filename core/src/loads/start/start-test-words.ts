import type { StartFault } from './start-test.js';

/** What keeps a start from counting as measured, in words. */
export const START_FAULT_WORDS: Readonly<Record<StartFault, string>> = {
  'base-drifted':
    'The base before and after differ by more than 5 %: something else switched. Take it again.',
  'below-base': 'A start is not above the base: the clamp missed it. Leave it out.',
  'few-starts': 'Five starts are wanted, one of them at its worst: warm, and against pressure.',
  spread: 'Fewer than three starts agree within 10 %: measured once. Go on until three do.',
};
