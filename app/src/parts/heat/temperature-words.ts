import { shownUnit } from '@heliarch/core/units';
import { roughNumber } from '../quantity/shown-number';
import type { UnitChoice } from '../unit-choice';

/** A temperature in the units of whoever reads it. */
export function temperatureWords({ numbers, system }: UnitChoice, celsius: number): string {
  const { unit, show } = shownUnit('°C', system());
  return `${roughNumber(numbers, show(celsius))} ${unit}`;
}
