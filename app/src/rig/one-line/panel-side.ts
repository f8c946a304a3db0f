import type { Bus, Circuit, Rig } from '@heliarch/core/rig';
import type { PlacedCircuit, PlacedLoad, Bar, OneLine } from './drawing';
import {
  WIDTH,
  TOP,
  PANEL_X,
  LEG_GAP,
  CIRCUIT_X,
  LINE,
  CIRCUIT_HEAD,
  BELOW_PANEL,
  NAME_GAP,
  NAMES_WIDTH,
  point,
} from './measures';
import { isOutput, takesFrom } from './bus-roles';
import { textWidth } from './text-width';

/** A bus with its circuits, in the order they are drawn. */
interface Panel {
  readonly bus: Bus;
  readonly circuits: readonly Circuit[];
}

export function panelsOf(rig: Rig): readonly Panel[] {
  const rank = (bus: Bus): number => (bus.kind === 'dc' ? 2 : isOutput(rig, bus) ? 0 : 1);
  return [...rig.buses]
    .sort((a, b) => rank(a) - rank(b))
    .map((bus) => ({ bus, circuits: rig.circuits.filter((circuit) => circuit.bus === bus.id) }))
    .filter(({ bus, circuits }) => circuits.length > 0 || !isDrawnElsewhere(rig, bus));
}

/** A DC bus has its bar below; an inlet that something comes from or goes to has one at the left. */
function isDrawnElsewhere(rig: Rig, bus: Bus): boolean {
  if (bus.kind === 'dc') return true;
  if (isOutput(rig, bus)) return false;
  return (
    rig.sources.some((source) => source.bus === bus.id) ||
    rig.converters.some((each) => takesFrom(each, bus.id))
  );
}

export interface PlacedPanels extends Pick<OneLine, 'bars' | 'wires' | 'nodes' | 'circuits' | 'devices'> {
  readonly bottom: number;
  /** Where each bus has its bar at the panel. */
  readonly spans: ReadonlyMap<string, { readonly top: number; readonly bottom: number }>;
}

export const hasLegs = (bus: Bus): boolean => bus.poles !== undefined && bus.poles !== 'single';

export function placePanels(rig: Rig, panels: readonly Panel[]): PlacedPanels {
  let y = TOP;
  const spans = new Map<string, { top: number; bottom: number }>();
  const circuits: PlacedCircuit[] = [];
  const bars: Bar[] = [];
  for (const { bus, circuits: own } of panels) {
    const top = y;
    for (const circuit of own) {
      const placed = placeCircuit(rig, bus, circuit, y);
      circuits.push(placed);
      y += placed.height;
    }
    const bottom = Math.max(y - CIRCUIT_HEAD / 2, top + CIRCUIT_HEAD);
    y = Math.max(y, bottom);
    spans.set(bus.id, { top: top + 4, bottom });
    bars.push(...barsAt(bus, top, bottom));
    y += BELOW_PANEL;
  }
  return {
    bars,
    circuits,
    bottom: y - BELOW_PANEL,
    spans,
    wires: circuits.map(({ fromX, x, y: at }) => [point(fromX, at), point(x - 6, at)]),
    nodes: circuits.flatMap(({ circuit, fromX, y: at }) =>
      circuit.pole === 'both' ? [point(PANEL_X, at), point(PANEL_X + LEG_GAP, at)] : [point(fromX, at)],
    ),
    devices: circuits.map(({ circuit, y: at }) => ({
      kind: 'breaker',
      list: 'circuits',
      id: circuit.id,
      x: PANEL_X + LEG_GAP + 18,
      y: at,
    })),
  };
}

/** One bar, or one for each leg. */
function barsAt(bus: Bus, top: number, bottom: number): readonly Bar[] {
  const at = (x: number, name: string, spoken: string): Bar => ({
    busId: bus.id,
    name,
    spoken,
    from: point(x, top + 4),
    to: point(x, bottom),
    label: point(PANEL_X - 6, top - 6),
  });
  const first = at(PANEL_X, bus.name, `Busbar ${bus.name}${bus.kind === 'dc' ? ', its circuits' : ''}`);
  return hasLegs(bus) ? [first, at(PANEL_X + LEG_GAP, '', `Busbar ${bus.name}, second leg`)] : [first];
}

function placeCircuit(rig: Rig, bus: Bus, circuit: Circuit, top: number): PlacedCircuit {
  const y = top + 16;
  const isSecondLeg = hasLegs(bus) && circuit.pole === 'l2';
  const loads = placeNames(
    rig.loads.filter((load) => load.circuit === circuit.id),
    y + 21,
  );
  const lines = new Set(loads.map((load) => load.y)).size;
  return {
    circuit,
    x: CIRCUIT_X,
    y,
    fromX: PANEL_X + (isSecondLeg ? LEG_GAP : 0),
    height: CIRCUIT_HEAD + Math.max(1, lines) * LINE,
    loads,
    leg: hasLegs(bus) ? LEG_WORDS[circuit.pole ?? 'l1'] : undefined,
  };
}

export const LEG_WORDS = { l1: 'L1', l2: 'L2', both: 'L1+L2' } as const;

/** Names side by side, on as many lines as they need. */
function placeNames(
  loads: readonly { readonly id: string; readonly name: string }[],
  firstY: number,
): readonly PlacedLoad[] {
  let x = CIRCUIT_X;
  let y = firstY;
  return loads.map(({ id, name }) => {
    const width = Math.min(NAMES_WIDTH, textWidth(name));
    if (x > CIRCUIT_X && x + width > WIDTH) {
      x = CIRCUIT_X;
      y += LINE;
    }
    const placed: PlacedLoad = { id, name, x, y, width };
    x += width + NAME_GAP;
    return placed;
  });
}
