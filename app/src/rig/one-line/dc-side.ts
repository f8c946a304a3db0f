import type { Bus, Rig } from '@heliarch/core/rig';
import type { PlacedPart, Bar, Wire, OneLine } from './drawing';
import {
  CONVERTER_SIZE,
  INLET_BAR_X,
  CONVERTER_X,
  PANEL_X,
  DC_GAP,
  SIDE_GAP,
  MARGIN_X,
  TAP_X,
  BANK_PITCH,
  BANK_X,
  BANK_DROP,
  BANK_WORDS,
  point,
} from './measures';
import type { PlacedConverters } from './inverter-column';
import type { PlacedPanels } from './panel-side';

export interface PlacedDc extends Pick<OneLine, 'bars' | 'wires' | 'nodes' | 'parts' | 'devices'> {
  readonly bottom: number;
  readonly right: number;
}

/** The battery side: one level bar for each DC bus, with what hangs below it. */
export function placeDc(
  rig: Rig,
  converters: PlacedConverters,
  panels: PlacedPanels,
  above: number,
): PlacedDc {
  let y = above + DC_GAP;
  let right = 0;
  const placed = rig.buses
    .filter(({ kind }) => kind === 'dc')
    .map((bus, index) => {
      const hanging = placeHanging(rig, bus, y);
      const lastX = Math.max(INLET_BAR_X + 190, ...hanging.parts.map(({ x }) => x + SIDE_GAP));
      const risers = risersOf(rig, bus, converters, { y, above, index });
      const tap = tapOf(panels.spans.get(bus.id), y);
      const bar: Bar = {
        busId: bus.id,
        name: bus.name,
        spoken: `Busbar ${bus.name}`,
        from: point(index === 0 ? BANK_X - 24 : MARGIN_X, y),
        to: point(Math.max(lastX, tap ? TAP_X : 0), y),
        label: point(BANK_X - 24, y - 10),
      };
      right = Math.max(right, ...hanging.parts.map(({ x }) => x + BANK_PITCH));
      y += hanging.parts.length > 0 ? BANK_DROP + BANK_WORDS + DC_GAP / 2 : DC_GAP;
      const wires = [...risers, ...(tap ? [tap] : []), ...hanging.wires];
      const onBar = [...risers.map((wire) => wire.at(-1)), tap?.[0], ...hanging.wires.map((wire) => wire[0])];
      const nodes = [...onBar, tap?.at(-1)].flatMap((each) => each ?? []);
      return { ...hanging, bar, wires, nodes };
    });
  return {
    bars: placed.map(({ bar }) => bar),
    wires: placed.flatMap(({ wires }) => wires),
    nodes: placed.flatMap(({ nodes }) => nodes),
    parts: placed.flatMap(({ parts }) => parts),
    devices: placed.flatMap(({ devices }) => devices),
    bottom: y,
    right,
  };
}

/** Solar and batteries side by side below their bar. */
function placeHanging(rig: Rig, bus: Bus, y: number): Pick<OneLine, 'wires' | 'parts' | 'devices'> {
  const solar = (rig.solar ?? []).filter((each) => each.bus === bus.id);
  const batteries = rig.batteries.filter((each) => each.bus === bus.id);
  const parts = [
    ...solar.map(({ id }) => ({ list: 'solar', id, kind: 'solar' }) as const),
    ...batteries.map(({ id }) => ({ list: 'batteries', id, kind: 'battery' }) as const),
  ].map((part, index): PlacedPart => ({ ...part, x: BANK_X + index * BANK_PITCH, y: y + BANK_DROP }));
  return {
    parts,
    wires: parts.map(({ x }) => [point(x, y), point(x, y + BANK_DROP)]),
    devices: parts
      .filter(({ list, id }) => list === 'batteries' && batteries.some((each) => each.id === id && each.fuse))
      .map(({ id, x }) => ({ kind: 'fuse', list: 'batteries', id, x, y: y + BANK_DROP / 2 - 2 })),
  };
}

/** Where a DC bus is drawn: its height, what is above it, and which of them it is. */
interface DcLevel {
  readonly y: number;
  readonly above: number;
  readonly index: number;
}

/** The wires from the inverters down to their DC bus. */
function risersOf(
  rig: Rig,
  bus: Bus,
  converters: PlacedConverters,
  { y, above, index }: DcLevel,
): readonly Wire[] {
  const middle = CONVERTER_X + CONVERTER_SIZE.width / 2;
  return converters.parts
    .filter((_, at) => [rig.converters[at]?.from, rig.converters[at]?.to].includes(bus.id))
    .map(({ y: top }): Wire => {
      const below = converters.parts.filter((each) => each.y > top).length;
      const isLast = below === 0;
      // Past the boxes below it, a wire goes down beside them; a second bus is reached by its left end.
      const x = (isLast ? middle : CONVERTER_X - below * SIDE_GAP) + index * 8;
      const turnY = above + SIDE_GAP + (index + below) * 6;
      const outY = top + CONVERTER_SIZE.height - SIDE_GAP - index * 8;
      const out = isLast
        ? [point(x, top + CONVERTER_SIZE.height)]
        : [point(CONVERTER_X, outY), point(x, outY)];
      return index === 0
        ? [...out, point(x, y)]
        : [...out, point(x, turnY), point(MARGIN_X, turnY), point(MARGIN_X, y)];
    });
}

/** From a DC bar to the circuits on it. */
function tapOf(
  span: { readonly top: number; readonly bottom: number } | undefined,
  y: number,
): Wire | undefined {
  if (!span) return undefined;
  const tapY = (span.top + span.bottom) / 2;
  return [point(TAP_X, y), point(TAP_X, tapY), point(PANEL_X, tapY)];
}
