import { CdkDrag, type CdkDragEnd, type CdkDragMove } from '@angular/cdk/drag-drop';
import { UnitChoice } from '../../parts/unit-choice';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import type { EntryList } from '@heliarch/core/rig';
import { mediaQuery } from '../../ui/media-query';
import { BASIS_NAMES, basisStrokes } from '../../parts/basis-mark';
import { liveNumbers } from '../live-numbers';
import { RigState } from '../rig-state';
import type { Device, PlacedLoad, PlacedPart, Point } from './drawing';
import { oneLineOf } from './layout';
import { phoneOneLineOf } from './phone-layout';
import { CONVERTER_SIZE } from './measures';
import {
  batteryLines,
  circuitWords,
  converterLines,
  deviceWords,
  nameOf,
  solarLines,
  sourceLines,
  type PartLine,
} from './part-words';
import { textWidth } from './text-width';

interface Words {
  readonly name: Point;
  readonly lines: Point;
  readonly anchor: 'start' | 'middle';
}

const LINE = 17;
/** Below it the wide drawing would be cut off. */
const NARROW = '(max-width: 720px)';

/** The one-line diagram, drawn from the data. Each part is a button; a load can be dragged to a circuit. */
@Component({
  selector: 'heli-one-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag],
  templateUrl: './one-line.html',
  styleUrl: './one-line.css',
})
export class OneLineDiagram {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(RigState);
  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  protected readonly size = CONVERTER_SIZE;
  protected readonly basisNames = BASIS_NAMES;
  protected readonly strokes = basisStrokes;
  protected readonly lineHeight = LINE;

  protected readonly isNarrow = mediaQuery(NARROW);
  protected readonly drawing = computed(() =>
    this.isNarrow() ? phoneOneLineOf(this.state.rig()) : oneLineOf(this.state.rig()),
  );
  private readonly scene = computed(() => this.state.rig().scenes[0]);
  private readonly live = computed(() => {
    const scene = this.scene();
    const nothing = { amps: new Map(), va: new Map(), batteryA: undefined, connected: [] };
    return scene ? liveNumbers(this.state.rig(), scene) : nothing;
  });

  /** The circuit over which a load is pulled. */
  protected readonly over = signal<string | undefined>(undefined);

  /** The drawing itself, for a picture of it. */
  get element(): SVGSVGElement {
    return this.svg().nativeElement;
  }

  protected path(wire: readonly Point[]): string {
    return wire.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('');
  }

  protected isSelected(list: EntryList, id: string): boolean {
    const selected = this.state.selected();
    return selected.list === list && selected.id === id;
  }

  protected name(part: Pick<PlacedPart, 'list' | 'id'>): string {
    return nameOf(this.state.rig(), part.list, part.id);
  }

  protected spoken(part: PlacedPart): string {
    const lines = this.lines(part).map(({ text }) => text);
    return [this.name(part), ...lines].join(', ');
  }

  protected lines(part: PlacedPart): readonly PartLine[] {
    const rig = this.state.rig();
    const { id } = part;
    switch (part.list) {
      case 'sources': {
        const source = rig.sources.find((each) => each.id === id);
        return source ? sourceLines(this.numberStyle, source, this.live()) : [];
      }
      case 'converters': {
        const converter = rig.converters.find((each) => each.id === id);
        return converter ? converterLines(this.numberStyle, converter, this.live()) : [];
      }
      case 'batteries': {
        const battery = rig.batteries.find((each) => each.id === id);
        return battery
          ? batteryLines(this.numberStyle, rig, battery, this.scene(), this.live(), Date.now())
          : [];
      }
      case 'solar': {
        const solar = rig.solar?.find((each) => each.id === id);
        return solar ? solarLines(this.numberStyle, solar) : [];
      }
      default:
        return [];
    }
  }

  /** Where the words of a part stand. */
  protected words({ list, x, y }: PlacedPart): Words {
    if (list === 'sources') return at(x, y - 22, x, y + 34);
    if (list === 'converters') {
      return { ...at(x, y - 14, x + this.size.width + 12, y + this.size.height + 14), anchor: 'start' };
    }
    return at(x + 28, y + 12, x + 28, y + 12 + LINE);
  }

  /** Where the mark of a basis stands after its number. */
  protected markAt({ text }: PartLine, { x, y }: Point, index: number): string {
    return `translate(${x + textWidth(text) + 5} ${y + index * LINE - 9})`;
  }

  protected deviceName(device: Device): string {
    return deviceWords(this.numberStyle, this.state.rig(), device.kind, device.list, device.id);
  }

  protected amps(circuitId: string): string {
    const circuit = this.state.rig().circuits.find(({ id }) => id === circuitId);
    return circuit ? circuitWords(this.numberStyle, circuit, this.live()) : '';
  }

  protected isOn(loadId: string): boolean {
    return this.scene()?.on.some(({ load }) => load === loadId) ?? false;
  }

  /** Enter and Space open a part as a click does. */
  protected key(event: KeyboardEvent, list: EntryList, id: string): void {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    this.state.select(list, id);
    event.preventDefault();
  }

  protected keyOnLoad(event: KeyboardEvent, load: PlacedLoad): void {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0) {
      const order = this.drawing().circuits.map(({ circuit }) => circuit.id);
      this.state.moveBy(load.id, step, order);
      event.preventDefault();
      setTimeout(() => this.element.querySelector<SVGElement>(`[data-load="${load.id}"]`)?.focus());
    } else {
      this.key(event, 'loads', load.id);
    }
  }

  /** Within a drawing the pointer is told in the drawing's own measure. */
  protected pull({ pointerPosition: { y } }: CdkDragMove): void {
    const over = this.drawing().circuits.find((each) => y >= each.y - 18 && y < each.y - 18 + each.height);
    this.over.set(over?.circuit.id);
  }

  protected drop({ source }: CdkDragEnd, load: PlacedLoad): void {
    source.reset();
    const to = this.over();
    this.over.set(undefined);
    const from = this.state.rig().loads.find(({ id }) => id === load.id)?.circuit;
    if (to !== undefined && to !== from) this.state.move(load.id, to);
  }
}

function at(nameX: number, nameY: number, x: number, y: number): Words {
  return { name: { x: nameX, y: nameY }, lines: { x, y }, anchor: 'start' };
}
