import type { BatteryStore } from './battery-store.js';

/** What flows on the DC side for a while, W. */
export interface DcPower {
  /** Drawn by inverters and DC loads. */
  readonly drawn: number;
  /** What chargers can give. */
  readonly charged: number;
  /** What the sun gives. */
  readonly solar: number;
}

/** The charge after a while, and what there was no room for. */
export interface ChargeStep {
  readonly wh: number;
  /** Sun that is thrown away, W. */
  readonly curtailedW: number;
  /** What chargers really give: they back off where the battery takes up less, W. */
  readonly givenW: number;
  /** What would be drawn from an empty battery, W. */
  readonly missingW: number;
}

/**
 * What becomes of the charge while so much flows. The sun feeds what is drawn first; what is left charges, as far as the
 * battery takes it up; chargers back off before the sun is thrown away.
 *
 * @param wh Charge before, Wh.
 * @param hours How long, above 0.
 * @returns Source: energy balance (physics).
 */
export function chargeAfter(
  store: BatteryStore,
  wh: number,
  { drawn, charged, solar }: DcPower,
  hours: number,
): ChargeStep {
  const net = solar + charged - drawn;
  if (net <= 0) {
    const after = wh - store.drawnWh(-net) * hours;
    return {
      wh: Math.max(0, after),
      curtailedW: 0,
      givenW: charged,
      missingW: Math.max(0, -after) / hours,
    };
  }
  const room = Math.max(0, store.fullWh - wh) / (store.kept * hours);
  const taken = Math.min(net, store.acceptsW(wh), room);
  const curtailedW = Math.min(solar, Math.max(0, net - taken - charged));
  const givenW = Math.min(charged, Math.max(0, drawn + taken - solar));
  return { wh: wh + taken * store.kept * hours, curtailedW, givenW, missingW: 0 };
}
