import type { Rig } from '../rig-file/schema.js';
import type { StartCarrier } from '../check/wiring/series-elements.js';
import type { StartOrderRule } from '../check/check.js';
import type { CheckScene } from '../check/situation.js';

/** A set on a supply of a rig, with the rule for its starts: what a change is made to. */
export interface AskedSet {
  readonly rig: Rig;
  readonly scene: CheckScene;
  readonly startOrder: StartOrderRule;
}

/** What a hand at the switches does: nothing but the set and its order is another. */
export type ChangeByHand =
  | { readonly by: 'order' }
  /** Off before each restart of a tool, and on again after it. */
  | { readonly by: 'habit'; readonly restartsId: string; readonly offIds: readonly string[] }
  | { readonly by: 'state'; readonly loadId: string; readonly stateId: string }
  | { readonly by: 'hold-off'; readonly loadId: string }
  /** One waits until another one has ended: each of the two runs, one after the other. */
  | { readonly by: 'wait'; readonly loadId: string; readonly forId: string }
  | { readonly by: 'shorter'; readonly loadId: string; readonly minutes: number }
  | { readonly by: 'other-fuel'; readonly loadId: string }
  | { readonly by: 'swap'; readonly loadId: string; readonly withId: string }
  | { readonly by: 'off'; readonly loadId: string };

/** What is set on a panel, connected, or found out about a hookup. */
export type ChangeOfSupply =
  /** For so long; undefined where it is not known how long the loads run. */
  | { readonly by: 'charging-off'; readonly minutes: number | undefined }
  | { readonly by: 'input-limit'; readonly amps: number }
  | { readonly by: 'assist-on' }
  | { readonly by: 'supply'; readonly supplyId: string }
  /** No change but a fact: a test may find it so. */
  | { readonly by: 'who-carries'; readonly carrier: Exclude<StartCarrier, 'unknown'> };

/** What is plugged in elsewhere, taken apart, cooled or bought. */
export type ChangeOfRig =
  | { readonly by: 'circuit'; readonly loadId: string; readonly circuitId: string }
  | { readonly by: 'untie'; readonly followerId: string; readonly leaderId: string }
  | { readonly by: 'cool-inverter'; readonly celsius: number }
  | Purchase;

export type Purchase =
  | { readonly by: 'soft-starter'; readonly loadId: string; readonly partId: string }
  | { readonly by: 'unloader'; readonly loadId: string; readonly partId: string }
  | { readonly by: 'either-or'; readonly loadIds: readonly [string, string] }
  | { readonly by: 'battery-cable'; readonly batteryId: string; readonly cable: CableSize }
  | { readonly by: 'circuit-cable'; readonly circuitId: string; readonly cable: CableSize }
  | { readonly by: 'more-battery'; readonly batteryId: string }
  /** Its ratings times this factor. */
  | { readonly by: 'bigger-inverter'; readonly converterId: string; readonly factor: number };

export type CableSize = Pick<NonNullable<Rig['batteries'][number]['cable']>, 'awg' | 'mm2'>;

/** One thing that is done otherwise. */
export type Change = ChangeByHand | ChangeOfSupply | ChangeOfRig;

const PURCHASES: readonly Change['by'][] = [
  'soft-starter',
  'unloader',
  'either-or',
  'battery-cable',
  'circuit-cable',
  'more-battery',
  'bigger-inverter',
];

/** Whether something must be bought and fitted for it. */
export function isPurchase(change: Change): change is Purchase {
  return PURCHASES.includes(change.by);
}

/** What a change is about: two changes of one thing are no pair. */
export function subjectOf(change: Change): string {
  if ('loadId' in change) return `load ${change.loadId}`;
  if (change.by === 'habit') return `habit ${change.restartsId}`;
  return change.by;
}
