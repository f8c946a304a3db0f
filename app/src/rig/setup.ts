import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FieldGroup } from '../parts/fields/field-group';
import { FieldHelpLine } from '../parts/fields/field-help';
import { NotKeptYet } from '../parts/fields/not-kept-yet';
import { SheetContext } from '../parts/fields/sheet-context';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { UnitChoice } from '../parts/unit-choice';

const UNITS: readonly Choice[] = [
  { id: 'us', label: 'feet, °F, BTU/h, AWG' },
  { id: 'metric', label: 'metres, °C, watts of heat, mm²' },
];

const CLOCKS: readonly Choice[] = [
  { id: '24', label: '18:30' },
  { id: '12', label: '6:30 PM' },
];
const NUMBERS: readonly Choice[] = [
  { id: 'point', label: '1,234.5' },
  { id: 'comma', label: '1.234,5' },
];

/** What counts for the rig as a whole: how warm it is, which practice is followed, which units are read. */
@Component({
  selector: 'heli-setup',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, FieldGroup, FieldHelpLine, NotKeptYet],
  providers: [SheetContext],
  template: `
    <div class="columns">
      <section aria-label="The rig">
        <h2>The rig</h2>
        <heli-not-kept-yet />
        <heli-field-group [only]="['name', 'note', 'currency', 'conditions', 'practice']" />
      </section>
      <section aria-label="Units">
        <h2>Units</h2>
        <p class="caption">For this browser; the file always holds metres, °C and watts.</p>
        <heli-choice-bar
          legend="Units"
          [choices]="units"
          [selected]="choice.system()"
          (choose)="choose($event)"
        />
        <p class="caption">Times of the day</p>
        <heli-choice-bar
          legend="Clock"
          [choices]="clocks"
          [selected]="choice.clock()"
          (choose)="chooseClock($event)"
        />
        <p class="caption">Numbers; the page is written anew</p>
        <heli-choice-bar
          legend="Numbers"
          [choices]="numbers"
          [selected]="choice.numbers"
          (choose)="chooseNumbers($event)"
        />
        <heli-field-help />
      </section>
    </div>
  `,
  styles: `
    .columns {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
      gap: 44px;
      padding-bottom: 24px;
    }
    h2 {
      padding-bottom: 4px;
      border-bottom: 1px solid var(--ink);
    }
    heli-choice-bar {
      display: block;
      margin: 8px 0 20px;
    }
  `,
})
export class Setup {
  protected readonly choice = inject(UnitChoice);
  protected readonly units = UNITS;
  protected readonly clocks = CLOCKS;
  protected readonly numbers = NUMBERS;

  constructor() {
    inject(SheetContext).target.set({ list: 'rig', id: '' });
  }

  protected choose(id: string): void {
    if (id === 'us' || id === 'metric') this.choice.choose(id);
  }

  protected chooseClock(id: string): void {
    if (id === '12' || id === '24') this.choice.chooseClock(id);
  }

  protected chooseNumbers(id: string): void {
    if (id === 'point' || id === 'comma') this.choice.chooseNumbers(id);
  }
}
