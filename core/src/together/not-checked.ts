import type { CheckResult } from './check.js';

/** What a verdict does not cover yet. It is named beside every verdict: "by the limits checked". */
const ALWAYS = ['heat of the surroundings', 'voltage drop', 'two kicks in the same second'] as const;
const ON_BATTERY = ['the dip of the battery voltage', 'DC cable and fuse'] as const;
const ON_SOURCE = ['the voltage of the source'] as const;

/** What is not checked, given what feeds the set. */
export function notChecked({
  elements,
  supply,
}: Pick<CheckResult, 'elements' | 'supply'>): readonly string[] {
  const onBattery = elements.some((element) => element.kind === 'battery');
  return [...(onBattery ? ON_BATTERY : []), ...(supply.sources.length > 0 ? ON_SOURCE : []), ...ALWAYS];
}
