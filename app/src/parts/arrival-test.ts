import { UnitChoice } from './unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { MS_PER_SECOND } from '@heliarch/core/units';
import {
  type Rig,
  type SourceTest,
  sourceTest,
  type Supply,
  validateRig,
  withArrivalTest,
} from '@heliarch/core/rig';
import { sourceTestWords } from '@heliarch/core/explain';
import { arrivalEntry } from '@heliarch/core/logbook';
import { LogEntries } from '../storage/log-entries';
import { keepTogether } from '../ui/keep-together';
import type { ShorePedestal } from './shore-pedestal';
import { QuantityControl } from './quantity/quantity-control';
import { readingFault, readingsForm, readingsOf } from './quantity/readings';

const FIELDS = [
  { id: 'lightV', label: 'Little on', unit: 'V' },
  { id: 'lightA', label: 'Little on', unit: 'A' },
  { id: 'loadedV', label: 'Much on', unit: 'V' },
  { id: 'loadedA', label: 'Much on', unit: 'A' },
  { id: 'warmV', label: 'After half an hour', unit: 'V' },
  { id: 'warmA', label: 'After half an hour', unit: 'A' },
] as const;

/** Two readings at the inlet, a third one warm: how strong a hookup is. Nothing is kept until it is asked for. */
@Component({
  selector: 'heli-arrival-test',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, QuantityControl, ReactiveFormsModule],
  template: `
    <p>Read volts and amps at the inlet: first with little on, then with a heater or kettle.</p>
    <div class="readings">
      @for (field of fields; track field.id) {
        <heli-quantity
          look="reading"
          [name]="field.label + ', ' + field.unit"
          [unit]="field.unit"
          [isPlain]="true"
          [fault]="faultIn(form.controls[field.id]!)"
          [formControl]="form.controls[field.id]!"
        />
      }
    </div>
    <div role="status">
      @if (found(); as test) {
        <p>
          <strong>{{ words(test).line }}</strong> {{ words(test).detail }}
        </p>
      } @else {
        <p>{{ fault() }}</p>
      }
    </div>
    @if (found(); as test) {
      @if (faultOf(test); as fault) {
        <p role="alert">It cannot be kept: {{ fault }}.</p>
      } @else {
        <button type="button" nz-button (click)="keep(test)">Keep it for {{ supply().name }}</button>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 2px 0 6px;
      color: var(--ink-2);
    }
    .readings {
      display: grid;
      grid-template-columns: max-content max-content;
      gap: 0 18px;
      margin: 4px 0;
    }
    strong {
      color: var(--ink);
    }
    button[nz-button] {
      margin-top: 6px;
    }
  `,
})
export class ArrivalTest {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly entries = inject(LogEntries);
  readonly rig = input.required<Rig>();
  readonly supply = input.required<Supply>();
  readonly post = input.required<ShorePedestal>();
  readonly kept = output<SourceTest>();

  protected readonly fields = FIELDS;
  protected readonly form = readingsForm(FIELDS.map(({ id }) => id));
  private readonly values = readingsOf(this.form);
  protected readonly faultIn = readingFault;

  private readonly read = computed(() => {
    const { lightV, lightA, loadedV, loadedA, warmV, warmA } = this.values();
    if (lightV === undefined || lightA === undefined || loadedV === undefined || loadedA === undefined)
      return undefined;
    return {
      light: { volts: lightV, amps: lightA },
      loaded: { volts: loadedV, amps: loadedA },
      warm: warmV !== undefined && warmA ? { volts: warmV, amps: warmA } : undefined,
    };
  });
  protected readonly found = computed((): SourceTest | undefined => {
    const read = this.read();
    return read && sourceTest(read.light, read.loaded, this.post().nominalV, read.warm);
  });

  /** Why there is no answer yet. */
  protected readonly fault = computed(() => {
    const values = this.values();
    const isFilled = FIELDS.slice(0, 4).every(({ id }) => values[id] !== undefined);
    return isFilled ? 'With much on there must be more amps, and no more volts, than with little on.' : '';
  });

  /** With the supply its answer, and in the logbook what was read. */
  protected keep(test: SourceTest): void {
    const read = this.read();
    const atS = Math.round(Date.now() / MS_PER_SECOND);
    if (read) this.entries.put(arrivalEntry(this.rig(), { ...read, atS, supply: this.supply().id }));
    this.kept.emit(test);
  }

  /** Why a test cannot be kept with the rig; undefined where it can. */
  protected faultOf(test: SourceTest): string | undefined {
    const read = validateRig(withArrivalTest(this.rig(), this.supply().id, test));
    return read.ok ? undefined : read.problems[0]?.message;
  }

  protected words(test: SourceTest): { readonly line: string; readonly detail: string } {
    const { line, detail } = sourceTestWords(this.numberStyle, test);
    return { line: keepTogether(line), detail: keepTogether(detail) };
  }
}
