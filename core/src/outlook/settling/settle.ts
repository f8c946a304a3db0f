import type { CompiledRig } from '../../check/wiring/compile.js';
import { check, type CheckResult } from '../../check/check.js';
import { mayMeasure } from './may-measure.js';
import { withNumber } from './with-number.js';
import { doubtsOf, type Doubt } from '../../check/limits/doubts.js';
import type { Limit } from '../../check/limits/limit.js';
import type { CheckScene } from '../../check/situation.js';

/** What would turn a Tight or a Likely trips into Holds. */
export type Settlement =
  /** Measure this number: at the threshold or less the set holds. */
  | {
      readonly by: 'measuring';
      readonly loadId: string;
      readonly partId: string;
      readonly field: Doubt['field'];
      readonly threshold: number;
    }
  /** Try three starts on this hookup and note who carries them. */
  | { readonly by: 'trying-starts' }
  /** What the device really does decides: its data sheet says; measuring loads does not help. */
  | { readonly by: 'data-sheet'; readonly device: string };

const BISECTIONS = 7;

/**
 * What would settle a verdict that is open: the number of widest doubt that, once measured, makes the set
 * hold somewhere in its band, with the largest such value.
 *
 * @returns Undefined where nothing is open, or where no single number helps.
 * Source: methods.md, rule 16.
 */
export function settlementOf(
  compiled: CompiledRig,
  scene: CheckScene,
  result: CheckResult,
): Settlement | undefined {
  const { decider, verdict, supply } = result;
  if (verdict === 'holds' || verdict === 'trips' || !decider || isBeyondNumbers(decider.kind))
    return undefined;
  for (const doubt of doubtsOf(decider)) {
    const threshold = thresholdOf(compiled, scene, doubt);
    if (threshold !== undefined) {
      const { loadId, partId, field } = doubt;
      return { by: 'measuring', loadId, partId, field, threshold };
    }
  }
  const isAssisted =
    decider.start && supply.assist === 'on' && (supply.whoCarriesStart ?? 'unknown') === 'unknown';
  if (isAssisted) return { by: 'trying-starts' };
  return 'protection' in decider.element ? { by: 'data-sheet', device: decider.element.name } : undefined;
}

/** The largest value of a number, measured, at which the set holds, of those that it may have. */
function thresholdOf(compiled: CompiledRig, scene: CheckScene, doubt: Doubt): number | undefined {
  const band = mayMeasure(compiled.rig, doubt);
  if (!band) return undefined;
  const { lo, hi } = band;
  const holdsAt = (value: number): boolean => {
    const measured = withNumber(compiled, doubt, { value, basis: 'measured' });
    return check(measured, scene).verdict === 'holds';
  };
  if (!holdsAt(lo)) return undefined;
  if (holdsAt(hi)) return hi;
  let [holds, fails] = [lo, hi];
  for (let step = 0; step < BISECTIONS; step += 1) {
    const middle = (holds + fails) / 2;
    if (holdsAt(middle)) holds = middle;
    else fails = middle;
  }
  return holds;
}

/** A rule that is kept or not, and a rating that is not entered: measuring a load helps neither. */
const isBeyondNumbers = (kind: Limit['kind']): boolean =>
  kind === 'continuous-rule' || kind === 'unknown-rating';
