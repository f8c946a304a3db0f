import type { Bus, Converter, Rig } from '@heliarch/core/rig';
import { isOutput } from './bus-roles';
import type { Bar, Device, OneLine, PlacedCircuit, PlacedPart, Point, Wire } from './drawing';
import { CIRCUIT_HEAD, CONVERTER_SIZE, LINE, NAME_GAP, point } from './measures';
import { hasLegs, LEG_WORDS } from './panel-side';
import { textWidth } from './text-width';

const WIDTH = 340;
const BAR_PITCH = 12;
const DEVICE_X = 58;
const SYMBOL_X = 92;
const CONVERTER_X = 86;
const CIRCUIT_X = 100;
const LABEL_X = 46;
const SOURCE_PITCH = 84;
const CONVERTER_PITCH = CONVERTER_SIZE.height + 86;
const BANK_DROP = 44;
const BANK_PITCH = 150;
/** Where a wire meets a converter: what comes in above, what goes out, direct current below. */
const TERMINALS = { in: 20, out: 44, dc: 76 };

/** What hangs on a bus at one height. */
interface Tap {
  readonly bus: string;
  readonly y: number;
  /** From the bar to the part. */
  readonly to: readonly Point[];
  /** A row of the bus itself, below which its name has room; beside an inverter there is none. */
  readonly isOwnRow: boolean;
}

interface Drawn {
  readonly taps: Tap[];
  readonly parts: PlacedPart[];
  readonly circuits: PlacedCircuit[];
  readonly devices: Device[];
  y: number;
}

/**
 * The same diagram for a narrow screen, top to bottom: every bus is an upright bar at the left for as long as something
 * hangs on it; sources, then inverters, then what is behind them, then the battery side, each in rows of its own.
 */
export function phoneOneLineOf(rig: Rig): OneLine {
  const drawn: Drawn = { taps: [], parts: [], circuits: [], devices: [], y: 30 };
  const ac = rig.buses.filter(({ kind }) => kind === 'ac');
  const dc = rig.buses.filter(({ kind }) => kind === 'dc');
  const incoming = ac.filter((bus) => !isOutput(rig, bus));
  const behind = ac.filter((bus) => isOutput(rig, bus));
  for (const bus of incoming) drawAc(rig, bus, drawn);
  for (const converter of rig.converters) drawConverter(rig, converter, drawn);
  for (const bus of behind) drawAc(rig, bus, drawn);
  for (const bus of dc) drawDc(rig, bus, drawn);
  // A bus on which nothing hangs is a stub of its own, to be opened all the same.
  for (const { id } of rig.buses)
    if (!drawn.taps.some(({ bus }) => bus === id)) {
      drawn.taps.push({ bus: id, y: drawn.y + 16, to: [], isOwnRow: true });
      drawn.y += 2 * LINE;
    }
  const bars = [...dc, ...incoming, ...behind].map((bus, index) =>
    barOf(bus, 10 + index * BAR_PITCH, drawn.taps),
  );
  const barX = new Map(bars.map(({ busId, from }) => [busId, from.x]));
  const starts = drawn.taps.map(({ bus, y }) => point(barX.get(bus) ?? 0, y));
  return {
    width: WIDTH,
    height: drawn.y,
    bars,
    wires: drawn.taps.flatMap(({ to }, index): readonly Wire[] => {
      const from = starts[index];
      return from && to.length > 0 ? [[from, ...to]] : [];
    }),
    nodes: starts,
    parts: drawn.parts,
    circuits: drawn.circuits,
    devices: drawn.devices,
  };
}

function barOf({ id, name }: Bus, x: number, taps: readonly Tap[]): Bar {
  const own = taps.filter(({ bus }) => bus === id);
  const ys = own.map(({ y }) => y);
  const top = Math.min(...ys);
  const labelled = own.find(({ isOwnRow }) => isOwnRow)?.y ?? top;
  return {
    busId: id,
    name,
    spoken: `Busbar ${name}`,
    from: point(x, top - 8),
    to: point(x, Math.max(...ys) + 8),
    label: point(labelled === top ? x - 4 : LABEL_X, labelled - (labelled === top ? 14 : 20)),
  };
}

function drawAc(rig: Rig, bus: Bus, drawn: Drawn): void {
  for (const { id, kind, breaker } of rig.sources.filter((source) => source.bus === bus.id)) {
    const y = drawn.y + 26;
    drawn.parts.push({ list: 'sources', id, kind, x: SYMBOL_X, y });
    drawn.taps.push({ bus: bus.id, y, to: [point(SYMBOL_X, y)], isOwnRow: true });
    if (breaker) drawn.devices.push({ kind: 'breaker', list: 'sources', id, x: DEVICE_X, y });
    drawn.y += SOURCE_PITCH;
  }
  drawCircuits(rig, bus, drawn);
}

function drawConverter(rig: Rig, converter: Converter, drawn: Drawn): void {
  const y = drawn.y + 20;
  drawn.parts.push({ list: 'converters', id: converter.id, kind: 'converter', x: CONVERTER_X, y });
  const isDc = (id: string): boolean => rig.buses.some((bus) => bus.id === id && bus.kind === 'dc');
  const { from, to, passThroughFrom } = converter;
  const ends: readonly (readonly [bus: string, at: number])[] = [
    ...(passThroughFrom === undefined ? [] : [[passThroughFrom, TERMINALS.in] as const]),
    [from, isDc(from) && !isDc(to) ? TERMINALS.dc : TERMINALS.in],
    [to, isDc(to) ? TERMINALS.dc : TERMINALS.out],
  ];
  for (const [bus, at] of ends)
    drawn.taps.push({ bus, y: y + at, to: [point(CONVERTER_X, y + at)], isOwnRow: false });
  if (converter.outputBreaker)
    drawn.devices.push({
      kind: 'breaker',
      list: 'converters',
      id: converter.id,
      x: DEVICE_X - 4,
      y: y + TERMINALS.out,
    });
  drawn.y += CONVERTER_PITCH;
}

function drawDc(rig: Rig, bus: Bus, drawn: Drawn): void {
  const banks = [
    ...rig.batteries
      .filter((each) => each.bus === bus.id)
      .map(({ id, fuse }) => ({ list: 'batteries', kind: 'battery', id, fuse }) as const),
    ...(rig.solar ?? [])
      .filter((each) => each.bus === bus.id)
      .map(({ id }) => ({ list: 'solar', kind: 'solar', id, fuse: undefined }) as const),
  ];
  for (const { list, kind, id, fuse } of banks) {
    const y = drawn.y + 16;
    drawn.parts.push({ list, id, kind, x: SYMBOL_X, y: y + BANK_DROP });
    drawn.taps.push({
      bus: bus.id,
      y,
      to: [point(SYMBOL_X, y), point(SYMBOL_X, y + BANK_DROP)],
      isOwnRow: true,
    });
    if (fuse) drawn.devices.push({ kind: 'fuse', list, id, x: SYMBOL_X, y: y + BANK_DROP / 2 });
    drawn.y += kind === 'battery' ? BANK_PITCH : BANK_PITCH - 2 * LINE;
  }
  drawCircuits(rig, bus, drawn);
}

function drawCircuits(rig: Rig, bus: Bus, drawn: Drawn): void {
  for (const circuit of rig.circuits.filter((each) => each.bus === bus.id)) {
    const y = drawn.y + 16;
    const loads = namesBelow(rig, circuit.id, y + 21);
    const lines = Math.max(1, new Set(loads.map((load) => load.y)).size);
    const height = CIRCUIT_HEAD + lines * LINE;
    const leg = hasLegs(bus) ? LEG_WORDS[circuit.pole ?? 'l1'] : undefined;
    drawn.circuits.push({ circuit, x: CIRCUIT_X, y, fromX: 0, height, loads, leg });
    drawn.taps.push({ bus: bus.id, y, to: [point(CIRCUIT_X - 6, y)], isOwnRow: true });
    drawn.devices.push({ kind: 'breaker', list: 'circuits', id: circuit.id, x: DEVICE_X, y });
    drawn.y += height;
  }
  drawn.y += LINE;
}

/** The names of the loads of a circuit, on as many lines as they need. */
function namesBelow(rig: Rig, circuitId: string, firstY: number): PlacedCircuit['loads'] {
  let [x, y] = [CIRCUIT_X, firstY];
  return rig.loads
    .filter(({ circuit }) => circuit === circuitId)
    .map(({ id, name }) => {
      const width = Math.min(WIDTH - CIRCUIT_X, textWidth(name));
      if (x > CIRCUIT_X && x + width > WIDTH) [x, y] = [CIRCUIT_X, y + LINE];
      const placed = { id, name, x, y, width };
      x += width + NAME_GAP;
      return placed;
    });
}
