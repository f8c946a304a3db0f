import { inputLimitOf } from '../outlook/supply/input-limit.js';
import { mayCharge } from '../rig/charging-loads.js';
import type { CheckResult } from '../check/check.js';
import type { AskedSet, ChangeOfSupply } from './change.js';

/** What can be set otherwise on the supply, another supply, and what a test of this one may find. */
export function changesOfSupply({ rig, scene }: AskedSet, result: CheckResult): readonly ChangeOfSupply[] {
  const { supply } = result;
  const isConnected = supply.sources.length > 0;
  const canAssist = isConnected && rig.converters.some((converter) => converter.canAssist === 'yes');
  const hasCharger = isConnected && rig.converters.some(({ kind }) => kind !== 'inverter');
  const isUntested = supply.assist === 'on' && (supply.whoCarriesStart ?? 'unknown') === 'unknown';
  return [
    ...(mayCharge(supply) && hasCharger ? [{ by: 'charging-off' as const, minutes: undefined }] : []),
    ...inputLimits(result, inputLimitOf(rig, result)),
    ...(canAssist && supply.assist !== 'on' ? [{ by: 'assist-on' as const }] : []),
    ...rig.supplies
      .filter(({ id }) => id !== scene.supply)
      .map(({ id }) => ({ by: 'supply' as const, supplyId: id })),
    ...(isConnected && isUntested
      ? (['inverter', 'shared'] as const).map((carrier) => ({ by: 'who-carries' as const, carrier }))
      : []),
  ];
}

/** The two ends between which a limit is safe, in whole amps as its panel has them. */
function inputLimits(
  { supply }: CheckResult,
  advice: ReturnType<typeof inputLimitOf>,
): readonly ChangeOfSupply[] {
  if (!advice) return [];
  const most = Math.floor(advice.atMostA);
  const least = advice.atLeastA === undefined ? undefined : Math.ceil(advice.atLeastA);
  return [...new Set([least, most])]
    .filter((amps): amps is number => amps !== undefined && amps > 0 && amps <= most)
    .filter((amps) => amps !== supply.inputLimitA)
    .map((amps) => ({ by: 'input-limit', amps }));
}
