import { batteryClockOf, check, compile } from '@heliarch/core/check';
import type { Rig, Scene } from '@heliarch/core/rig';

/** What flows in the set that is ticked, by the id of the part: computed, and nothing where nothing flows. */
export interface LiveNumbers {
  /** Amps through the breaker of a circuit or the feed of a source. */
  readonly amps: ReadonlyMap<string, number>;
  /** Volt-amps through an inverter. */
  readonly va: ReadonlyMap<string, number>;
  /** Amps out of the batteries, all together; undefined where they give nothing. */
  readonly batteryA: number | undefined;
  readonly connected: readonly string[];
}

/** The numbers that stand still in the diagram: those of the set on its supply. */
export function liveNumbers(rig: Rig, scene: Scene): LiveNumbers {
  const result = check(compile(rig), scene);
  const amps = new Map<string, number>();
  const va = new Map<string, number>();
  for (const { element, unit, start, running, kind } of result.limits) {
    if (start || kind === 'continuous-rule') continue;
    const id = partOf(element.id);
    if (unit === 'A' && element.kind !== 'battery') keepLargest(amps, id, running.stated);
    if (kind === 'inverter-va') va.set(id, (va.get(id) ?? 0) + running.stated);
  }
  const batteryA = batteryClockOf(scene, result)?.amps.stated;
  return { amps, va, batteryA, connected: result.supply.sources };
}

/** An element of one leg, or of a relay, belongs to the part it is named after. */
function partOf(elementId: string): string {
  return elementId.split(':')[0] ?? elementId;
}

function keepLargest(into: Map<string, number>, id: string, value: number): void {
  if (value > 0) into.set(id, Math.max(value, into.get(id) ?? 0));
}
