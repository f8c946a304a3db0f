import { UnitChoice } from '../components/unit-choice';
import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { Dialog } from '../components/dialog';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { loadTable, readLoadTable } from '@heliarch/core/editing';
import { parse, unparse } from 'papaparse';
import { saveBlob } from '../storage/rig-files';
import { RigSession } from '../storage/rig-session';
import { LoadsState } from './loads-state';

const LARGEST_LIST_BYTES = 2_000_000;
const BECOMES = { added: 'is added', changed: 'is changed', 'left-out': 'is left out' } as const;

/** The load list as a table: saved for a spreadsheet, and brought in with a look at every line first. */
@Component({
  selector: 'heli-list-import',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, NzButtonComponent],
  template: `
    <heli-dialog heading="Bring in a load list" [isOpen]="isOpen()" (closed)="close()">
      <p class="caption">
        Comma-separated lines with a header, as “Save the list” writes them. A load of a name that is here is
        changed, any other is added. Nothing is stored before you say so.
      </p>
      <p class="sources">
        <label class="ant-btn ant-btn-default">
          Choose a file
          <input
            #file
            type="file"
            accept=".csv,text/csv,text/plain"
            aria-label="List to bring in"
            (change)="choose()"
          />
        </label>
        <span class="caption">or paste the lines:</span>
      </p>
      <textarea
        #area
        rows="4"
        aria-label="Lines to bring in"
        [value]="text()"
        (input)="text.set(area.value)"
      ></textarea>
      @if (fault(); as fault) {
        <p role="alert">{{ fault }}</p>
      }
      @if (preview(); as preview) {
        <div class="scroll">
          <table>
            <caption class="unseen">
              What becomes of each line
            </caption>
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Load</th>
                <th scope="col">What becomes of it</th>
              </tr>
            </thead>
            <tbody>
              @for (line of preview.lines; track $index) {
                <tr [class.bad]="line.becomes === 'left-out'">
                  <td class="figures">{{ line.line }}</td>
                  <th scope="row">{{ line.name || '(no name)' }}</th>
                  <td>
                    {{ becomes[line.becomes]
                    }}{{ line.problems.length > 0 ? ': ' + line.problems.join(' ') : '' }}
                  </td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <p class="foot">
          <button type="button" nz-button [disabled]="goodCount() === 0" (click)="take()">
            Take {{ goodCount() }} of {{ preview.lines.length }} lines
          </button>
          <span class="caption">One step, to be undone like any other.</span>
        </p>
      }
    </heli-dialog>
  `,
  styles: `
    .sources,
    .foot {
      display: flex;
      align-items: center;
      gap: 12px;
    }
    .sources {
      padding: 10px 0 6px;
    }
    .sources input {
      position: absolute;
      width: 1px;
      opacity: 0;
    }
    .sources label:focus-within {
      outline: 2px solid var(--ink);
      outline-offset: 2px;
    }
    textarea {
      width: 100%;
      border: 1px solid var(--rule-2);
      border-radius: 2px;
      background: var(--surface);
      color: var(--ink);
      font: 13px/18px var(--figures);
    }
    .scroll {
      max-height: 300px;
      overflow: auto;
      margin: 8px 0;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 4px 10px 4px 0;
      border-bottom: 1px solid var(--rule);
      text-align: left;
      vertical-align: top;
      font-weight: 400;
    }
    thead th {
      border-bottom-color: var(--ink);
      color: var(--ink-2);
    }
    .bad td:last-child {
      font-weight: 500;
    }
    [role='alert'] {
      padding: 6px 0;
      font-weight: 500;
    }
  `,
})
export class ListImport {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly session = inject(RigSession);
  private readonly state = inject(LoadsState);
  protected readonly isOpen = signal(false);
  private readonly file = viewChild.required<ElementRef<HTMLInputElement>>('file');

  protected readonly becomes = BECOMES;
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

  show(): void {
    this.isOpen.set(true);
  }

  /** The list for a spreadsheet; what it would run as a formula is set in an apostrophe. */
  save(): void {
    const rig = this.state.rig();
    const text = unparse(loadTable(rig) as string[][], { escapeFormulae: true, newline: '\r\n' });
    saveBlob(`${rig.id}-loads.csv`, new Blob([`${text}\r\n`], { type: 'text/csv;charset=utf-8' }));
  }

  protected close(): void {
    this.isOpen.set(false);
    this.text.set('');
  }

  protected async choose(): Promise<void> {
    const input = this.file().nativeElement;
    const file = input.files?.[0];
    if (!file) return;
    const isFit = file.size <= LARGEST_LIST_BYTES;
    this.tooLarge.set(isFit ? undefined : `${file.name} is larger than 2 MB; a load list is far smaller.`);
    if (isFit) this.text.set(await file.text());
    input.value = '';
  }

  protected take(): void {
    const preview = this.preview();
    if (!preview) return;
    const count = this.goodCount();
    this.session.change(() => preview.rig, { label: `bring in ${count} lines` });
    this.close();
  }
}
