import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { Dialog } from '../../ui/dialog';

interface KeysOf {
  readonly where: string;
  readonly keys: Readonly<Record<string, string>>;
}

const KEYS: readonly KeysOf[] = [
  {
    where: 'Everywhere',
    keys: {
      'Ctrl K': 'search loads, parts, fields, rooms and actions',
      'Ctrl Z, Ctrl Y': 'undo, redo; in a text field they are the field’s own',
      '?': 'this list',
      Escape: 'close what is open; in a number, take back what cannot be read',
    },
  },
  {
    where: 'Together, in the list of loads',
    keys: {
      'Arrows up and down': 'the load above or below',
      Space: 'tick or untick it',
      Enter: 'correct its numbers',
      Letters: 'the next load whose name begins so',
    },
  },
  {
    where: 'Rig, in the diagram',
    keys: {
      Enter: 'open the sheet of a part',
      'Arrows up and down': 'on a load: move it to another circuit',
    },
  },
  { where: 'Loads, in the list', keys: { 'Arrows up and down': 'the name above or below' } },
];

/** The keys of every room. */
@Component({
  selector: 'heli-keys-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog],
  template: `
    <heli-dialog heading="Keys" [isOpen]="true" (closed)="closed.emit()">
      @for (group of groups; track group.where) {
        <h3>{{ group.where }}</h3>
        <dl>
          @for (row of group.rows; track row[0]) {
            <dt>{{ row[0] }}</dt>
            <dd>{{ row[1] }}</dd>
          }
        </dl>
      }
    </heli-dialog>
  `,
  styles: `
    h3 {
      padding: 12px 0 4px;
      border-bottom: 1px solid var(--ink);
      font: var(--type-head);
    }
    dl {
      display: grid;
      grid-template-columns: minmax(90px, 170px) 1fr;
      gap: 4px 16px;
      margin: 6px 0 0;
    }
    dt {
      font-weight: 500;
      font-size: 14.5px;
    }
    dd {
      margin: 0;
      color: var(--ink-2);
    }
  `,
})
export class KeysSheet {
  readonly closed = output();
  protected readonly groups = KEYS.map(({ where, keys }) => ({ where, rows: Object.entries(keys) }));
}
