import { EXPANSION, type Spread } from '../units/combine-doubts.js';
import { CHARGER_POWER_FACTOR } from '../reference/inverter-losses.js';
import type { AcSum, Demand } from '../loads/apparent-power.js';
import { magnitude } from '../units/magnitude.js';

/** What a charger draws, VA; it may be idle at the optimistic edge, for the battery may be full. */
export interface Charging {
  readonly stated: number;
  readonly hi: number;
}

export const NO_CHARGING: Charging = { stated: 0, hi: 0 };

/** A limited source and an inverter that carry the same loads: who carries what, by methods.md rule 10. */
export interface SourceLimit {
  /** The input limit set on the inverter/charger, VA; Infinity where none is set. */
  readonly va: number;
  /** Whether the inverter adds what is above it. */
  readonly assists: boolean;
  /** What charging takes where something is left, VA: as set, and with its losses and volts at their highest. */
  readonly charger: Charging;
}

/**
 * What the source gives to the loads behind the limit and to the charger. Charging backs off to what
 * the limit leaves; it may be idle at the optimistic edge (a full battery). As stated the source carries
 * its share at the power factor of the loads, so that its watts and the inverter's make up theirs.
 *
 * @param loads The loads behind the limit.
 */
export function sourceShare(loads: AcSum, limit: SourceLimit): AcSum {
  const { watts, va, nonActive } = loads;
  const capped = (value: number, chargerVA: number): number => {
    const own = limit.assists ? Math.min(value, limit.va) : value;
    return Math.max(own, Math.min(limit.va, own + chargerVA));
  };
  // A limit is one of current: at best its watts are as few as the power factor of the loads allows.
  const fewest = Math.min(1, limit.va / magnitude(watts.lo, nonActive.hi));
  const stated = capped(va.stated, limit.charger.stated);
  const ownVA = Math.min(stated, va.stated);
  const ownWatts = va.stated > 0 ? (watts.stated * ownVA) / va.stated : 0;
  return {
    watts: plainDemand(
      limit.assists ? watts.lo * fewest : capped(watts.lo, 0),
      ownWatts + CHARGER_POWER_FACTOR * (stated - ownVA),
      capped(watts.hi, limit.charger.hi),
    ),
    va: plainDemand(capped(va.lo, 0), stated, capped(va.hi, limit.charger.hi)),
    nonActive,
  };
}

/**
 * What the inverter adds while it assists.
 *
 * VA, pessimistic: the source held at unity power factor, sqrt(max(0, P - limit)² + N²); optimistic: magnitudes, S - limit.
 * Watts the other way round: pessimistic the source carries only its share at the power factor of
 * the loads, P - pf x limit; optimistic P - limit.
 *
 * @param loads The loads behind the limit.
 * @param limitVA The input limit, VA.
 * @returns Nothing at an edge where the source carries all of it alone.
 * Source: methods.md 7 and rule 10; 4,000 VA at pf 0.8, 120 V, limit 24 A: 9.3 A or 20.2 A.
 */
export function inverterShare(loads: AcSum, limitVA: number): AcSum {
  const { watts, va, nonActive } = loads;
  const isOver = (edge: 'lo' | 'stated' | 'hi'): boolean => va[edge] > limitVA;
  const powerFactor = (edge: 'stated' | 'hi'): number => (va[edge] > 0 ? watts[edge] / va[edge] : 1);
  const vaShare = plainDemand(
    Math.max(0, va.lo - limitVA),
    Math.max(0, va.stated - limitVA),
    isOver('hi') ? magnitude(Math.max(0, watts.hi - limitVA), nonActive.hi) : 0,
  );
  const wattShare = plainDemand(
    Math.max(0, watts.lo - limitVA),
    isOver('stated') ? Math.max(0, watts.stated - powerFactor('stated') * limitVA) : 0,
    isOver('hi') ? Math.max(0, watts.hi - powerFactor('hi') * limitVA) : 0,
  );
  return { watts: wattShare, va: vaShare, nonActive };
}

/** Adds sums of currents that meet in one conductor; magnitudes at the pessimistic edge. */
export function addShares(a: AcSum, b: AcSum): AcSum {
  const spread = (x: Spread, y: Spread): Spread => ({
    hard: x.hard + y.hard,
    expanded: x.expanded + y.expanded,
  });
  const plus = (x: Demand, y: Demand): Demand => ({
    lo: x.lo + y.lo,
    stated: x.stated + y.stated,
    hi: x.hi + y.hi,
    up: spread(x.up, y.up),
    down: spread(x.down, y.down),
  });
  return { watts: plus(a.watts, b.watts), va: plus(a.va, b.va), nonActive: plus(a.nonActive, b.nonActive) };
}

/**
 * A demand whose doubts are already combined. A limit in doubt joins a root that is not known any more: taken as that of
 * one number, which is the widest it can be.
 */
export function plainDemand(lo: number, stated: number, hi: number): Demand {
  const up = Math.max(0, hi - stated);
  const down = Math.max(0, stated - lo);
  return {
    lo: Math.min(lo, stated),
    stated,
    hi: Math.max(hi, stated),
    up: { hard: up, expanded: EXPANSION * up },
    down: { hard: down, expanded: EXPANSION * down },
  };
}
