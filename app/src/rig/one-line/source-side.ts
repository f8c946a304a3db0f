import type { Bus, Rig } from '@heliarch/core/rig';
import type { Point, PlacedPart, Bar, Wire, OneLine } from './drawing';
import {
  CONVERTER_SIZE,
  TOP,
  SOURCE_X,
  SOURCE_END_X,
  SOURCE_BREAKER_X,
  SOURCE_PITCH,
  INLET_BAR_X,
  CONVERTER_X,
  PANEL_X,
  SIDE_GAP,
  point,
} from './measures';
import { isOutput, takesFrom } from './bus-roles';
import type { PlacedConverters } from './inverter-column';
import type { PlacedPanels } from './panel-side';

export interface PlacedSources extends Pick<OneLine, 'parts' | 'devices'> {
  readonly bottom: number;
}

export function placeSources(rig: Rig): PlacedSources {
  const parts = rig.sources.map((source, index): PlacedPart => ({
    list: 'sources',
    id: source.id,
    kind: source.kind,
    x: SOURCE_X,
    y: TOP + 30 + index * SOURCE_PITCH,
  }));
  return {
    parts,
    bottom: TOP + rig.sources.length * SOURCE_PITCH,
    devices: parts
      .filter(({ id }) => rig.sources.find((source) => source.id === id)?.breaker)
      .map(({ id, y }) => ({
        kind: 'breaker',
        list: 'sources',
        id,
        x: SOURCE_BREAKER_X,
        y,
      })),
  };
}

export interface PlacedInlets extends Pick<OneLine, 'bars' | 'wires' | 'nodes'> {
  /** What it takes below everything else. */
  readonly below: number;
}

/** The bars where sources come in, with what passes to the inverters and to the circuits ahead of them. */
export function placeInlets(
  rig: Rig,
  sources: PlacedSources,
  converters: PlacedConverters,
  panels: PlacedPanels,
  bottom: number,
): PlacedInlets {
  const bars: Bar[] = [];
  const wires: Wire[] = [];
  const nodes: Point[] = [];
  const direct = rig.buses.filter((bus) => isOutput(rig, bus) && sourcesOn(rig, sources, bus).length > 0);
  rig.buses
    .filter((bus) => bus.kind === 'ac' && !isOutput(rig, bus))
    .forEach((bus, index) => {
      const x = INLET_BAR_X + index * SIDE_GAP;
      const sourceYs = sourcesOn(rig, sources, bus);
      const passYs = rig.converters.flatMap((converter, at) => {
        const y = converters.parts[at]?.y;
        return y !== undefined && takesFrom(converter, bus.id) ? [y + CONVERTER_SIZE.height / 2] : [];
      });
      if (sourceYs.length + passYs.length === 0) return;
      const span = panels.spans.get(bus.id);
      const aheadYs = span ? [(span.top + span.bottom) / 2] : [];
      const ys = [...sourceYs, ...passYs, ...aheadYs];
      bars.push({
        busId: bus.id,
        name: span ? '' : bus.name,
        spoken: span ? `Busbar ${bus.name}, where it comes in` : `Busbar ${bus.name}`,
        from: point(x, Math.min(...ys) - 10),
        to: point(x, Math.max(...ys) + 10),
        label: point(x - 6, Math.min(...ys) - 16),
      });
      wires.push(
        ...sourceYs.map((y) => [point(SOURCE_END_X, y), point(x, y)]),
        ...passYs.map((y) => [point(x, y), point(CONVERTER_X, y)]),
        ...aheadYs.map((y) => [point(x, y), point(PANEL_X, y)]),
      );
      nodes.push(...ys.map((y) => point(x, y)), ...aheadYs.map((y) => point(PANEL_X, y)));
    });
  direct.forEach((bus, index) => {
    const around = aroundTheInverters(
      sourcesOn(rig, sources, bus),
      bottom + (index + 1) * SIDE_GAP,
      panels.spans.get(bus.id)?.bottom ?? bottom,
      index,
    );
    wires.push(...around);
    nodes.push(...around.flatMap((wire) => wire.slice(-1)));
  });
  return { bars, wires, nodes, below: direct.length * SIDE_GAP };
}

/** The heights of the sources that feed a bus. */
function sourcesOn(rig: Rig, sources: PlacedSources, bus: Bus): readonly number[] {
  return rig.sources.flatMap((source, index) => {
    const y = sources.parts[index]?.y;
    return source.bus === bus.id && y !== undefined ? [y] : [];
  });
}

/** A source that feeds the panel without an inverter in between goes below all of them. */
function aroundTheInverters(
  ys: readonly number[],
  belowY: number,
  panelY: number,
  index: number,
): readonly Wire[] {
  const downX = INLET_BAR_X - (index + 1) * SIDE_GAP;
  const upX = PANEL_X - (index + 1) * 8;
  return ys.map((y) => [
    point(SOURCE_END_X, y),
    point(downX, y),
    point(downX, belowY),
    point(upX, belowY),
    point(upX, panelY),
    point(PANEL_X, panelY),
  ]);
}
