import type { Rig } from '@heliarch/core/rig';
import type { Point, PlacedPart, Wire, Device, OneLine } from './drawing';
import {
  CONVERTER_SIZE,
  TOP,
  CONVERTER_X,
  CONVERTER_PITCH,
  OUTPUT_BREAKER_X,
  PANEL_X,
  LEG_GAP,
  point,
} from './measures';
import type { PlacedPanels } from './panel-side';

export interface PlacedConverters extends Pick<OneLine, 'wires' | 'nodes' | 'parts' | 'devices'> {
  readonly bottom: number;
}

export function placeConverters(rig: Rig, panels: PlacedPanels): PlacedConverters {
  const ends: Point[] = [];
  const wires: Wire[] = [];
  const devices: Device[] = [];
  const parts = rig.converters.map((converter, index): PlacedPart => {
    const y = TOP + 22 + index * CONVERTER_PITCH;
    const middle = y + CONVERTER_SIZE.height / 2;
    const span = panels.spans.get(converter.to);
    const isDcOut = rig.buses.find(({ id }) => id === converter.to)?.kind === 'dc';
    if (span && !isDcOut) {
      const barX = PANEL_X + (converter.pole === 'l2' ? LEG_GAP : 0);
      const joinY = Math.min(Math.max(middle, span.top), span.bottom);
      const turnX = OUTPUT_BREAKER_X + 44 + (index % 3) * 8;
      wires.push(
        joinY === middle
          ? [point(CONVERTER_X + CONVERTER_SIZE.width, middle), point(barX, middle)]
          : [
              point(CONVERTER_X + CONVERTER_SIZE.width, middle),
              point(turnX, middle),
              point(turnX, joinY),
              point(barX, joinY),
            ],
      );
      ends.push(point(barX, joinY));
      if (converter.outputBreaker)
        devices.push({
          kind: 'breaker',
          list: 'converters',
          id: converter.id,
          x: OUTPUT_BREAKER_X,
          y: middle,
        });
    }
    return { list: 'converters', id: converter.id, kind: 'converter', x: CONVERTER_X, y };
  });
  return {
    wires,
    nodes: ends,
    parts,
    devices,
    bottom: TOP + 22 + rig.converters.length * CONVERTER_PITCH,
  };
}
