import type { CheckResult } from './check.js';

/** What a verdict does not cover yet. It is named beside every verdict: "by the limits checked". */
const ALWAYS = ['plugs and cords', 'heat of the surroundings', 'voltage drop'] as const;
const ON_INVERTER = [
  'battery current and its protection',
  'DC fuse and cable',
  'the inverter’s output breaker',
] as const;
const ON_SOURCE = ['the charger’s draw', 'the transfer relay', 'other loads on the source breaker'] as const;

/** What is not checked, given what feeds the set. */
export function notChecked({
  elements,
  supply,
}: Pick<CheckResult, 'elements' | 'supply'>): readonly string[] {
  const onSource = supply.sources.length > 0;
  const onInverter = !onSource || elements.some((element) => element.kind === 'inverter');
  return [...(onInverter ? ON_INVERTER : []), ...(onSource ? ON_SOURCE : []), ...ALWAYS];
}
