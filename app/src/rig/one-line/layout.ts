import type { Rig } from '@heliarch/core/rig';
import type { OneLine } from './drawing';
import { WIDTH } from './measures';
import { placeDc } from './dc-side';
import { placeConverters } from './inverter-column';
import { placePanels, panelsOf } from './panel-side';
import { placeSources, placeInlets } from './source-side';

/** So many batteries and arrays on one bus stand left of the panel; more go below it. */
const MOST_BESIDE_PANEL = 2;

function mostHanging(rig: Rig): number {
  const on = [...rig.batteries, ...(rig.solar ?? [])].map(({ bus }) => bus);
  return Math.max(0, ...on.map((id) => on.filter((each) => each === id).length));
}

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
  const isBesidePanel = inlets.below === 0 && mostHanging(rig) <= MOST_BESIDE_PANEL;
  const lowest = Math.max(
    sources.bottom,
    converters.bottom,
    ...[...inlets.wires.flat(), ...inlets.bars.flatMap(({ from, to }) => [from, to])].map(({ y }) => y),
  );
  const dc = placeDc(rig, converters, placed, isBesidePanel ? lowest : bottom + inlets.below);
  return {
    width: Math.max(WIDTH, dc.right),
    height: Math.max(dc.bottom, placed.bottom),
    bars: [...placed.bars, ...inlets.bars, ...dc.bars],
    wires: [...converters.wires, ...inlets.wires, ...dc.wires, ...placed.wires],
    nodes: [...placed.nodes, ...converters.nodes, ...inlets.nodes, ...dc.nodes],
    parts: [...sources.parts, ...converters.parts, ...dc.parts],
    circuits: placed.circuits,
    devices: [...sources.devices, ...converters.devices, ...dc.devices, ...placed.devices],
  };
}
