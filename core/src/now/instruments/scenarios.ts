import type { Load, Rig } from '../../rig-file/schema.js';
import { supplyOf } from '../../rig/lookup.js';

export const SCENARIOS = ['quiet-evening', 'compressor-kicks-in', 'shore-lost', 'meter-stuck'] as const;
export type ScenarioId = (typeof SCENARIOS)[number];

/** What happens in a rig whose instruments are simulated, second by second. */
export interface Scenario {
  /** The supply that it begins on, and the one that it falls back to. */
  readonly supply: string;
  readonly without: string;
  /** What is on and stays on, and what cycles. */
  readonly on: readonly string[];
  readonly cycling: readonly string[];
  /** What starts, and when, s. */
  readonly starts: { readonly load: string; readonly atS: number } | undefined;
  /** When the source drops out and when it is back, s. */
  readonly sourceLost: { readonly fromS: number; readonly untilS: number } | undefined;
  /** From when to when the output's meter stands still, s. */
  readonly stuck: { readonly fromS: number; readonly untilS: number } | undefined;
}

const EVENT_S = 20;
const LOST_FOR_S = 60;
const STUCK_FOR_S = 40;
const MOST_QUIET_W = 200;

/** A scenario on a rig, with the loads that the rig has. */
export function scenarioOf(rig: Rig, id: ScenarioId): Scenario {
  const { battery, hookup } = suppliesOf(rig);
  const { quiet, compressor, fridge } = loadsFor(rig);
  const when = (is: ScenarioId, forS: number): Scenario['stuck'] =>
    id === is ? { fromS: EVENT_S, untilS: EVENT_S + forS } : undefined;
  return {
    supply: id === 'shore-lost' ? hookup : battery,
    without: battery,
    on: quiet.map((load) => load.id),
    cycling: fridge ? [fridge.id] : [],
    starts: id === 'compressor-kicks-in' && compressor ? { load: compressor.id, atS: EVENT_S } : undefined,
    sourceLost: when('shore-lost', LOST_FOR_S),
    stuck: when('meter-stuck', STUCK_FOR_S),
  };
}

/** The supply without a source, and the first hookup; where there is none, the one stands for the other. */
function suppliesOf(rig: Rig): { readonly battery: string; readonly hookup: string } {
  const [first] = rig.supplies;
  const battery = rig.supplies.find(({ sources }) => sources.length === 0) ?? first;
  const hookup = rig.supplies.find((each) => isHookup(rig, each.id)) ?? battery;
  return { battery: battery?.id ?? '', hookup: hookup?.id ?? '' };
}

function loadsFor({ loads }: Rig) {
  const isQuiet = (load: Load): boolean => wattsOf(load) <= MOST_QUIET_W;
  const itself = loads.filter(({ usage }) => usage === 'by-itself');
  const compressor =
    itself.find(({ parts }) => parts.some(({ kind }) => /compressor|hermetic/.test(kind))) ?? itself[0];
  return {
    quiet: loads.filter((load) => load.usage === 'left-on' && isQuiet(load)),
    compressor,
    fridge: itself.find((load) => load !== compressor && isQuiet(load)),
  };
}

function isHookup(rig: Rig, supplyId: string): boolean {
  const { sources } = supplyOf(rig, supplyId);
  return rig.sources.some(({ id, kind }) => sources.includes(id) && kind === 'inlet');
}

const wattsOf = ({ parts }: Load): number =>
  parts.reduce((sum, { runningW }) => sum + (runningW?.value ?? 0), 0);
