import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { formatAmount } from '@heliarch/core/units';
import { findKinds, MAINS, type TypicalLoad } from '@heliarch/core/describe';
import { Amount } from '../../ui/amount';
import type { Choice } from '../../ui/choice-bar';
import { shownNumber } from '../../parts/quantity/shown-number';
import { Select } from '../../ui/select/select';
import { UnitChoice } from '../../parts/unit-choice';
import type { LoadRow } from './first-run-form';
import { FirstRunState } from './first-run-state';

const MOST_FOUND = 12;
const MOST_ALIKE = 20;
/** What people look for among the loads and is asked elsewhere. */
const PART_OF_THE_RIG = /convert|charg|inverter|generator|solar|battery/i;

/** The first loads: found by everyday words or by their plates, each with its amount and its breaker. */
@Component({
  selector: 'heli-own-loads',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Amount, NzInputDirective, ReactiveFormsModule, Select],
  templateUrl: './own-loads.html',
  styleUrl: './own-loads.css',
})
export class OwnLoads {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(FirstRunState);
  /** To the question that asks for what charges the battery. */
  readonly toInverter = output();

  protected readonly most = MOST_ALIKE;
  protected readonly rows = this.state.form.controls.loads;
  protected readonly words = signal('');
  private readonly search = computed(() => findKinds(this.numberStyle, this.words()));
  protected readonly found = computed(() => this.search().kinds.slice(0, MOST_FOUND));
  protected readonly isPartOfTheRig = computed(
    () => PART_OF_THE_RIG.test(this.words()) && this.state.answers().fedBy === 'inverter',
  );

  protected readonly places = computed((): readonly Choice[] => {
    const { circuits, mains } = this.state.answers();
    const { poles, volts } = MAINS[mains];
    return [
      ...circuits.map(({ name }, index) => ({ id: String(index), label: name })),
      { id: 'own', label: 'its own, of the usual size' },
      ...(poles === 'split-180'
        ? [{ id: 'own-pair', label: `its own, ${2 * volts} V, of the usual size` }]
        : []),
    ];
  });

  protected add(kind: TypicalLoad): void {
    const { stated } = this.search();
    this.state.addLoad(kind, stated ? `${shownNumber(this.numberStyle, stated.value)} ${stated.unit}` : '');
    this.words.set('');
  }

  protected addFirst(): void {
    const [first] = this.found();
    if (first && this.words().trim() !== '') this.add(first);
  }

  protected usual(row: LoadRow): string {
    const watts = row.controls.kind.value.parts.reduce((sum, part) => sum + part.watts.usual, 0);
    return `usually ${formatAmount(this.numberStyle, watts, 'W')}`;
  }
}
