import { cableOhmsAtEdges, voltageDrop } from '../../protection/cable.js';
import { systemOfLoad } from '../../loads/voltage-of-load.js';
import type { Interval } from '../../units/quantity.js';
import type { Rig } from '../../rig-file/schema.js';
import type { CheckResult } from '../../check/check.js';
import { runningSum } from '../../check/wiring/running-set.js';

/** What a circuit's cable loses of the volts while the set runs. */
export interface VoltageDrop {
  readonly circuit: Rig['circuits'][number];
  readonly isDc: boolean;
  /** Share of the nominal voltage. */
  readonly share: Interval;
  /** W that become heat in the cable, as stated. */
  readonly lostW: number;
}

/**
 * The voltage drop of every circuit whose cable is known, the largest first.
 *
 * @returns Circuits that carry something. Source: physics, both conductors, by cable resistance.
 */
export function voltageDropsOf(rig: Rig, { selfStarting, order }: CheckResult): readonly VoltageDrop[] {
  const running = [...selfStarting, ...order];
  return rig.circuits
    .flatMap((circuit) => {
      const own = running.filter(({ load }) => load.circuit === circuit.id);
      const load = own[0]?.load;
      const { cable } = circuit;
      const ohms = cable && cableOhmsAtEdges(cable);
      if (!load || !ohms || ohms.stated === 0) return [];
      const { volts } = systemOfLoad(rig, load);
      const { va } = runningSum(own);
      const at = (edge: keyof Interval): number => voltageDrop(ohms[edge], va[edge] / volts) / volts;
      const share = { lo: at('lo'), stated: at('stated'), hi: at('hi') };
      const isDc = rig.buses.some(({ id, kind }) => id === circuit.bus && kind === 'dc');
      return [{ circuit, isDc, share, lostW: share.stated * va.stated }];
    })
    .sort((a, b) => b.share.stated - a.share.stated);
}

/** Whether the drop of every circuit that carries something can be told. */
export function isDropKnown(rig: Rig, result: CheckResult): boolean {
  const busy = new Set([...result.selfStarting, ...result.order].map(({ load }) => load.circuit));
  return voltageDropsOf(rig, result).length === busy.size;
}
