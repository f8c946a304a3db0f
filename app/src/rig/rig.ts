import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  untracked,
  viewChild,
  signal,
} from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import {
  NzTabBarExtraContentDirective,
  NzTabComponent,
  NzTabDirective,
  NzTabsComponent,
} from 'ng-zorro-antd/tabs';
import { ENTRY_WORDS, type EntryList } from '@heliarch/core/rig';
import { countDoubts } from '@heliarch/core/describe';
import { NamedTabs } from '../ui/library/named-tabs';
import { BasisLegend } from '../parts/basis-legend';
import { WorthNext } from '../parts/worth-next';
import { FitHeadline } from './fit-headline';
import { OneLineDiagram } from './one-line/one-line';
import { PartSheet } from './part-sheet';
import { RigChecks } from './rig-checks';
import { PlateReader } from '../plate/plate-reader';
import { RigState } from './rig-state';
import { savePng, saveSvg } from './save-picture';
import { Setup } from './setup';
import { Supplies } from './supplies/supplies';

/** As an address asks for them, in the order of their tabs. */
const VIEWS = ['diagram', 'supplies', 'setup'];

const ADDED: readonly Exclude<EntryList, 'loads' | 'supplies' | 'days'>[] = [
  'circuits',
  'sources',
  'converters',
  'batteries',
  'solar',
  'buses',
];

const LISTS: readonly EntryList[] = [...ADDED, 'supplies', 'loads'];

/** The room of the system: what there is, how it is wired, whether its parts fit. */
@Component({
  selector: 'heli-rig',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BasisLegend,
    CdkMenu,
    CdkMenuItem,
    CdkMenuTrigger,
    FitHeadline,
    NamedTabs,
    NzButtonComponent,
    NzTabBarExtraContentDirective,
    NzTabComponent,
    NzTabDirective,
    NzTabsComponent,
    OneLineDiagram,
    PartSheet,
    PlateReader,
    RigChecks,
    Setup,
    Supplies,
    WorthNext,
  ],
  providers: [RigState],
  templateUrl: './rig.html',
  styleUrls: ['./rig.css', '../ui/menu.css'],
})
export class RigRoom {
  protected readonly isReadingPlate = signal(false);
  protected readonly state = inject(RigState);
  /** The view an address asks for. */
  readonly view = input<string>();
  /** The part an address asks for: its list and its id. */
  readonly part = input<string>();
  protected readonly at = linkedSignal(() => Math.max(0, VIEWS.indexOf(this.view() ?? '')));
  protected readonly added = ADDED.map((list) => ({ list, words: ENTRY_WORDS[list] }));
  protected readonly doubts = computed(() => countDoubts(this.state.rig()));
  private readonly diagram = viewChild(OneLineDiagram);

  constructor() {
    effect(() => {
      const [list, id] = this.part()?.split(' ') ?? [];
      const isList = LISTS.find((each) => each === list);
      if (isList && id) untracked(() => this.state.select(isList, id));
    });
  }

  protected saveAs(kind: 'svg' | 'png'): void {
    const drawing = this.diagram()?.element;
    if (!drawing) return;
    const name = `${this.state.rig().id}-one-line`;
    if (kind === 'svg') void saveSvg(drawing, name);
    else void savePng(drawing, name);
  }
}
