import type { NumberStyle } from '@heliarch/core';
import { UnitChoice } from './unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import {
  formatNumber,
  parseNumber,
  sourceTest,
  sourceTestWords,
  validateRig,
  withArrivalTest,
  type Rig,
  type SourceTest,
  type Supply,
} from '@heliarch/core';
import { keepTogether } from './keep-together';

const FIELDS = [
  { id: 'lightV', label: 'Little on', unit: 'V' },
  { id: 'lightA', label: 'Little on', unit: 'A' },
  { id: 'loadedV', label: 'Much on', unit: 'V' },
  { id: 'loadedA', label: 'Much on', unit: 'A' },
  { id: 'warmV', label: 'After half an hour', unit: 'V' },
  { id: 'warmA', label: 'After half an hour', unit: 'A' },
] as const;

type FieldId = (typeof FIELDS)[number]['id'];

/** What an arrival test is of: a hookup; generators and batteries are no post. */
export interface Post {
  readonly nominalV: number;
  /** What is known of it already. */
  readonly line: string;
}

/** The post a supply comes from; undefined where it comes from none. */
export function postOf(style: NumberStyle, rig: Rig, supply: Supply): Post | undefined {
  const inlet = rig.sources.find(({ id, kind }) => kind === 'inlet' && supply.sources.includes(id));
  const bus = rig.buses.find(({ id }) => id === inlet?.bus);
  if (!inlet || !bus) return undefined;
  const { volts, sourceOhms } = supply;
  const known =
    volts && sourceOhms
      ? `${formatNumber(style, sourceOhms.value, 2)} ohm, ${formatNumber(style, volts.value, 1)} V with nothing on.`
      : 'Two readings tell how strong the post is.';
  return { nominalV: bus.volts, line: keepTogether(known) };
}

/** Two readings at the inlet, a third one warm: how strong a hookup is. Nothing is kept until it is asked for. */
@Component({
  selector: 'heli-arrival-test',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonModule],
  template: `
    <p>Read volts and amps at the inlet: first with little on, then with a heater or kettle.</p>
    <div class="readings">
      @for (field of fields; track field.id) {
        <label>
          <span [class.unseen]="field.unit === 'A'">{{ field.label }}</span>
          <input
            #box
            type="text"
            inputmode="decimal"
            autocomplete="off"
            class="figures"
            [attr.aria-label]="field.label + ', ' + field.unit"
            [value]="typed()[field.id]"
            [attr.aria-invalid]="isWrong(field.id)"
            (input)="type(field.id, box.value)"
          />
          <span class="unit">{{ field.unit }}</span>
        </label>
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
        <button type="button" nz-button (click)="kept.emit(test)">Keep it for {{ supply().name }}</button>
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
    label {
      display: flex;
      align-items: baseline;
      justify-content: end;
      gap: 6px;
    }
    input {
      width: 60px;
      height: 28px;
      border: 0;
      border-bottom: 2px solid var(--ink);
      background: none;
      font-size: 16px;
      text-align: right;
    }
    input[aria-invalid='true'] {
      border-bottom-color: var(--vermilion);
    }
    .unit {
      width: 12px;
    }
    strong {
      color: var(--ink);
    }
    button[nz-button] {
      margin-top: 6px;
    }
    @media (max-width: 720px) {
      input {
        height: 44px;
      }
    }
  `,
})
export class ArrivalTest {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly supply = input.required<Supply>();
  readonly post = input.required<Post>();
  readonly kept = output<SourceTest>();

  protected readonly fields = FIELDS;
  protected readonly typed = signal<Record<FieldId, string>>({
    lightV: '',
    lightA: '',
    loadedV: '',
    loadedA: '',
    warmV: '',
    warmA: '',
  });

  private readonly values = computed(() => {
    const typed = this.typed();
    return (id: FieldId): number | undefined => usable(this.numberStyle, typed[id]);
  });

  protected readonly found = computed((): SourceTest | undefined => {
    const value = this.values();
    const [lightV, lightA, loadedV, loadedA] = [
      value('lightV'),
      value('lightA'),
      value('loadedV'),
      value('loadedA'),
    ];
    if (lightV === undefined || lightA === undefined || loadedV === undefined || loadedA === undefined)
      return undefined;
    const [warmV, warmA] = [value('warmV'), value('warmA')];
    const warm = warmV !== undefined && warmA ? { volts: warmV, amps: warmA } : undefined;
    return sourceTest(
      { volts: lightV, amps: lightA },
      { volts: loadedV, amps: loadedA },
      this.post().nominalV,
      warm,
    );
  });

  /** Why there is no answer yet. */
  protected readonly fault = computed(() => {
    const typed = this.typed();
    const wrong = FIELDS.find(({ id }) => this.isWrong(id));
    if (wrong)
      return `${wrong.label}, ${wrong.unit}: must be a number from 0, such as ${this.post().nominalV}.`;
    const isFilled = FIELDS.slice(0, 4).every(({ id }) => typed[id].trim() !== '');
    return isFilled ? 'With much on there must be more amps, and no more volts, than with little on.' : '';
  });

  /** Why a test cannot be kept with the rig; undefined where it can. */
  protected faultOf(test: SourceTest): string | undefined {
    const read = validateRig(withArrivalTest(this.rig(), this.supply().id, test));
    return read.ok ? undefined : read.problems[0]?.message;
  }

  protected isWrong(id: FieldId): boolean {
    const text = this.typed()[id];
    return text.trim() !== '' && usable(this.numberStyle, text) === undefined;
  }

  protected type(id: FieldId, text: string): void {
    this.typed.update((typed) => ({ ...typed, [id]: text }));
  }

  protected words(test: SourceTest): { readonly line: string; readonly detail: string } {
    const { line, detail } = sourceTestWords(this.numberStyle, test);
    return { line: keepTogether(line), detail: keepTogether(detail) };
  }
}

/** A reading: a number from 0 on. */
function usable(style: NumberStyle, text: string): number | undefined {
  const value = parseNumber(style, text);
  return value !== undefined && value >= 0 ? value : undefined;
}
