import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { NzRadioModule } from 'ng-zorro-antd/radio';
import { asTheRigHasIt } from './as-the-rig-has-it';

export interface Choice<Id extends string = string> {
  readonly id: Id;
  readonly label: string;
}

let nextName = 0;

/** One of a few: radio buttons as a selector plate, as tabs on the edge of a band, or as a list. */
@Component({
  selector: 'heli-choice-bar',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzRadioModule, ReactiveFormsModule],
  template: `
    <fieldset (change)="pick($event.target)">
      <legend [class.unseen]="!showsLegend()">{{ legend() }}</legend>
      <nz-radio-group [class]="look()" nzButtonStyle="solid" [nzName]="name" [formControl]="control">
        @for (choice of choices(); track choice.id) {
          @if (look() === 'list') {
            <label nz-radio [nzValue]="choice.id">{{ choice.label }}</label>
          } @else {
            <label nz-radio-button [nzValue]="choice.id">{{ choice.label }}</label>
          }
        }
      </nz-radio-group>
    </fieldset>
  `,
  styleUrl: './choice-bar.css',
})
export class ChoiceBar<Id extends string> {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly legend = input.required<string>();
  readonly choices = input.required<readonly Choice<Id>[]>();
  readonly selected = input.required<Id>();
  readonly look = input<'plate' | 'tabs' | 'list'>('plate');
  readonly showsLegend = input(false);
  readonly choose = output<Id>();
  protected readonly name = `choice-${(nextName += 1)}`;
  protected readonly control = new FormControl<Id | null>(null);

  constructor() {
    // The library takes a click from the browser, and the radio button shows it only when all is drawn again.
    this.host.addEventListener('click', (event) => event.stopPropagation(), { capture: true });
    asTheRigHasIt(
      this.control,
      this.selected,
      (id) => {
        if (id !== null) this.choose.emit(id);
      },
      () => {
        this.boxes().forEach((box, index) => (box.checked = this.choices()[index]?.id === this.selected()));
      },
    );
  }

  protected pick(target: EventTarget | null): void {
    const picked = this.choices()[this.boxes().findIndex((box) => box === target)];
    if (picked) this.control.setValue(picked.id);
  }

  private boxes(): readonly HTMLInputElement[] {
    return [...this.host.querySelectorAll('input')];
  }
}
