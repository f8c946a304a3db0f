import { WARMER_THAN_OUTDOORS_K } from '../../reference/heat.js';
import type { Conditions, Rig } from '../../rig-file/schema.js';

/** How warm it is at a part of a system, celsius: as entered, and at worst where only the outdoors is known. */
export interface HeatAt {
  readonly celsius: number | undefined;
  readonly celsiusAtWorst: number | undefined;
}

/**
 * How warm it is where breakers or the inverter sit. Not entered, it is at worst some kelvin warmer than outdoors, where that
 * is entered: one temperature does not silence the other.
 *
 * Source: common practice, no published source (methods.md, rule 47).
 */
export function heatAt({ conditions }: Rig, at: 'panelC' | 'inverterC'): HeatAt {
  const celsius = conditions?.[at];
  return { celsius, celsiusAtWorst: celsius ?? warmest(conditions) };
}

const warmest = (conditions: Conditions | undefined): number | undefined =>
  conditions?.outdoorC === undefined ? undefined : conditions.outdoorC + WARMER_THAN_OUTDOORS_K;
