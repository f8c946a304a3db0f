import type { Rig } from '@heliarch/core';
import type { OneLine } from './drawing';
import { WIDTH } from './measures';
import { placeDc } from './dc-side';
import { placeConverters } from './inverter-column';
import { placePanels, panelsOf } from './panel-side';
import { placeSources, placeInlets } from './source-side';

/**
 * The one-line diagram of a rig: sources at the left, inverters in the middle, the panel with its circuits at
 * the right, the battery side below. Everything has a row or a column of its own, so nothing overlaps
 * whatever the rig: behind the inverter first, then what is ahead of it, then DC.
 */
export function oneLineOf(rig: Rig): OneLine {
  const placed = placePanels(rig, panelsOf(rig));
  const sources = placeSources(rig);
  const converters = placeConverters(rig, placed);
  const bottom = Math.max(placed.bottom, sources.bottom, converters.bottom);
  const inlets = placeInlets(rig, sources, converters, placed, bottom);
  const dc = placeDc(rig, converters, placed, bottom + inlets.below);
  return {
    width: Math.max(WIDTH, dc.right),
    height: dc.bottom,
    bars: [...placed.bars, ...inlets.bars, ...dc.bars],
    wires: [...converters.wires, ...inlets.wires, ...dc.wires, ...placed.wires],
    nodes: [...placed.nodes, ...converters.nodes, ...inlets.nodes, ...dc.nodes],
    parts: [...sources.parts, ...converters.parts, ...dc.parts],
    circuits: placed.circuits,
    devices: [...sources.devices, ...converters.devices, ...dc.devices, ...placed.devices],
  };
}
