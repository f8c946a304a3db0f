import type { CheckResult } from '../../check/check.js';
import { saysWhatItGives } from '../../check/limits/dc-limits.js';
import { isSagKnown } from '../../check/limits/dc-path.js';
import { isDropKnown } from '../supply/voltage-drop.js';
import type { Rig, Supply } from '../../rig-file/schema.js';
import type { BatteryElement } from '../../check/wiring/series-elements.js';

/** What no verdict covers: named beside every one, "by the limits checked". */
const ALWAYS = ['two starts in the same second'] as const;

/** What is not checked, given what feeds the set and what the rig says of it. */
export function notChecked(rig: Rig, result: CheckResult): readonly string[] {
  const { elements, supply } = result;
  const bank = elements.find((element) => element.kind === 'battery');

  return [
    ...(bank?.kind === 'battery' ? ofBank(bank) : []),
    ...(supply.sources.length > 0 && !supply.volts ? ['the voltage of the source'] : []),
    ...(isChargingKnown(rig, supply) ? [] : ['what charging draws']),
    ...(isHeatKnown(rig, supply) ? [] : ['heat of the surroundings']),
    ...(isLeadUnknown(result) ? ['a lead of which only the length is entered'] : []),
    ...(isDropKnown(rig, result) ? [] : ['voltage drop on the way to a load']),
    ...ALWAYS,
  ];
}

function isHeatKnown({ conditions }: Rig, { sources }: Supply): boolean {
  const { panelC, inverterC, outdoorC } = conditions ?? {};
  return panelC !== undefined && inverterC !== undefined && (sources.length === 0 || outdoorC !== undefined);
}

/** Whether a load that runs has a lead of which neither plug nor size is entered. */
function isLeadUnknown({ selfStarting, order }: CheckResult): boolean {
  return [...selfStarting, ...order].some(({ load: { cord } }) => {
    const { plugA, awg, mm2 } = cord ?? {};
    return cord !== undefined && (plugA ?? awg ?? mm2) === undefined;
  });
}

/** Whether everything that charges on a hookup says with how many amps. */
function isChargingKnown({ converters }: Rig, { charging, sources }: Supply): boolean {
  if (charging === 'off' || sources.length === 0) return true;
  return converters.every(({ kind, chargeA }) => kind === 'inverter' || chargeA !== undefined);
}

function ofBank(bank: BatteryElement): readonly string[] {
  return [
    ...(bank.batteries.every(saysWhatItGives) ? [] : ['what a battery may give']),
    ...(isSagKnown(bank) ? [] : ['the dip of the battery voltage']),
    ...(bank.batteries.every((battery) => battery.cable) ? [] : ['DC cable']),
    ...(bank.batteries.every((battery) => battery.fuse) ? [] : ['DC fuse']),
  ];
}
