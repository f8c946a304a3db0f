import { ChangeDetectionStrategy, Component, effect, inject, input, output } from '@angular/core';
import type { Day } from '@heliarch/core/rig';
import { Dialog } from '../ui/dialog';
import { FieldGroup } from '../parts/fields/field-group';
import { FieldHelpLine } from '../parts/fields/field-help';
import { NotKeptYet } from '../parts/fields/not-kept-yet';
import { SheetContext } from '../parts/fields/sheet-context';

/** What a person says of a day; its jobs and its plan have places of their own. */
const OF_A_DAY = [
  'name',
  'date',
  'begins',
  'days',
  'startPercent',
  'targetPercent',
  'cloudOktas',
  'worstCloudOktas',
  'latitude',
  'longitude',
  'hoursFromUtc',
  'tight',
  'nightFrom',
  'nightUntil',
  'supplies',
  'drives',
];

/** The sky, the charge, the night and the supplies of a day. */
@Component({
  selector: 'heli-day-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, FieldGroup, FieldHelpLine, NotKeptYet],
  providers: [SheetContext],
  template: `
    <heli-dialog [heading]="day().name" [isOpen]="isOpen()" (closed)="closed.emit()">
      @if (isOpen()) {
        <heli-not-kept-yet />
        <heli-field-group [only]="only" />
        <heli-field-help />
      }
    </heli-dialog>
  `,
})
export class DaySheet {
  private readonly sheet = inject(SheetContext);
  readonly day = input.required<Day>();
  readonly isOpen = input.required<boolean>();
  readonly closed = output();
  protected readonly only = OF_A_DAY;

  constructor() {
    effect(() => this.sheet.target.set({ list: 'days', id: this.day().id }));
  }
}
