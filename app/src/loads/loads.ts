import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { type Load, choiceWords, entriesOf } from '@heliarch/core/rig';
import { countDoubts } from '@heliarch/core/describe';
import { BasisLegend } from '../parts/basis-legend';
import { KindPicker } from './kind-picker';
import { ListImport } from './list-import';
import { LoadTable } from './load-table';
import { LoadsState } from './loads-state';
import { NothingHere } from '../ui/nothing-here';
import { Select } from '../ui/select/select';
import { WorthNext } from '../parts/worth-next';
import { PlateReader } from '../plate/plate-reader';
import { LoadEditor } from './load-editor/load-editor';

const USAGES: readonly Load['usage'][] = ['left-on', 'by-itself', 'during-work'];
/** Where loads.css puts list and editor below each other. */
const BELOW_EACH_OTHER = '(max-width: 1100px)';

/** The room of the loads: what there is, and everything about each. */
@Component({
  selector: 'heli-loads',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BasisLegend,
    KindPicker,
    ListImport,
    LoadEditor,
    LoadTable,
    NothingHere,
    NzButtonComponent,
    NzInputDirective,
    PlateReader,
    Select,
    WorthNext,
  ],
  providers: [LoadsState],
  templateUrl: './loads.html',
  styleUrl: './loads.css',
})
export class Loads {
  protected readonly state = inject(LoadsState);
  protected readonly usages = USAGES.map((id) => ({ id, label: choiceWords(id) }));
  protected readonly circuits = computed(() =>
    entriesOf(this.state.rig(), 'circuits').map(({ id, name }) => ({ id, label: name })),
  );
  protected readonly doubts = computed(() => countDoubts(this.state.rig()));

  /** What lies over the room. */
  protected readonly over = signal<'kinds' | 'plate' | 'list' | undefined>(undefined);

  /** The load an address asks for. */
  readonly load = input<string>();
  private readonly editor = viewChild('editor', { read: ElementRef });

  constructor() {
    effect(() => {
      const id = this.load();
      if (id !== undefined) untracked(() => this.state.choose(id));
    });
  }

  /** On a narrow screen the editor is below the list. */
  protected showPlate(): void {
    const editor: unknown = this.editor()?.nativeElement;
    if (matchMedia(BELOW_EACH_OTHER).matches && editor instanceof HTMLElement) editor.scrollIntoView();
  }

  protected async saveList(): Promise<void> {
    const { saveLoadList } = await import('./save-load-list');
    saveLoadList(this.state.rig());
  }

  protected move(circuitId: string): void {
    this.state.move(this.state.ticked(), circuitId);
  }

  protected use(usage: Load['usage']): void {
    this.state.use(this.state.ticked(), usage);
  }
}
