import type { CheckResult } from './check.js';
import { runningBatteryAmps, runningThrough } from './flow.js';

/** Where the running power comes from, as stated, W. */
export interface PowerFlows {
  readonly fromSourceW: number;
  /** Drawn from the batteries, losses and DC loads included. */
  readonly fromBatteryW: number;
  /** What the source gives to the charger. */
  readonly toChargeW: number;
}

/** The flows of a set while everything that is on runs. */
export function powerFlowsOf(result: CheckResult): PowerFlows {
  const running = [...result.selfStarting, ...result.order];
  const source = result.elements.find(({ kind }) => kind === 'generator' || kind === 'source-breaker');
  const battery = result.elements.find((element) => element.kind === 'battery');
  const fromSourceW = source ? runningThrough(source, running).watts.stated : 0;
  return {
    fromSourceW,
    fromBatteryW:
      battery?.kind === 'battery' ? runningBatteryAmps(battery, running).stated * battery.volts : 0,
    toChargeW: source ? fromSourceW - withoutCharger(source, running) : 0,
  };
}

function withoutCharger(
  source: CheckResult['elements'][number],
  running: Parameters<typeof runningThrough>[1],
): number {
  if (!('behindLimit' in source) || !source.behindLimit) return runningThrough(source, running).watts.stated;
  const { limit } = source.behindLimit;
  const idle = { ...source, behindLimit: { ...source.behindLimit, limit: { ...limit, chargerVA: 0 } } };
  return runningThrough(idle, running).watts.stated;
}
