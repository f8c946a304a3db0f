import { UnitChoice } from '../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Dialog } from '../ui/dialog';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { FileDrop } from '../ui/library/file-drop';
import { NamedTable } from '../ui/library/named-table';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import {
  NzTableCellDirective,
  NzTableComponent,
  NzTbodyComponent,
  NzTheadComponent,
  NzThMeasureDirective,
  NzTrDirective,
} from 'ng-zorro-antd/table';
import { readLoadTable, type LoadLine } from '@heliarch/core/describe';
import { parse } from 'papaparse';
import { RigSession } from '../storage/rig-session';
import { LoadsState } from './loads-state';

const LARGEST_LIST_BYTES = 2_000_000;
const BECOMES = { added: 'is added', changed: 'is changed', 'left-out': 'is left out' } as const;

/** A load list is brought in, with a look at every line first. */
@Component({
  selector: 'heli-list-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Dialog,
    FileDrop,
    NamedTable,
    NzButtonComponent,
    NzInputDirective,
    NzTableCellDirective,
    NzTableComponent,
    NzTbodyComponent,
    NzTheadComponent,
    NzThMeasureDirective,
    NzTrDirective,
  ],
  templateUrl: './list-import.html',
  styleUrl: './list-import.css',
})
export class ListImport {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly session = inject(RigSession);
  private readonly state = inject(LoadsState);
  readonly closed = output();

  protected readonly text = signal('');
  private readonly tooLarge = signal<string | undefined>(undefined);

  private readonly read = computed(() => {
    const text = this.text();
    if (text.trim() === '') return undefined;
    const { data } = parse<string[]>(text, { skipEmptyLines: 'greedy' });
    return readLoadTable(this.numberStyle, this.state.rig(), data);
  });
  protected readonly fault = computed(() => this.tooLarge() ?? this.read()?.fault);
  protected readonly preview = computed(() => {
    const read = this.read();
    return read && read.fault === undefined ? read : undefined;
  });
  protected readonly goodCount = computed(
    () => this.preview()?.lines.filter(({ becomes }) => becomes !== 'left-out').length ?? 0,
  );

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
  }

  protected whatBecomesOf({ becomes, problems }: LoadLine): string {
    return BECOMES[becomes] + (problems.length > 0 ? `: ${problems.join(' ')}` : '');
  }

  protected close(): void {
    this.closed.emit();
  }

  protected async choose(file: File): Promise<void> {
    const isFit = file.size <= LARGEST_LIST_BYTES;
    this.tooLarge.set(isFit ? undefined : `${file.name} is larger than 2 MB; a load list is far smaller.`);
    if (isFit) this.text.set(await file.text());
  }

  protected take(): void {
    const preview = this.preview();
    if (!preview) return;
    const count = this.goodCount();
    this.session.change(() => preview.rig, { label: `bring in ${count} lines` });
    this.close();
  }
}
