import { UnitChoice } from '../components/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Dialog } from '../components/dialog';
import { formatNumber, kindOfPart, LOAD_FAMILIES, sourceWords, type Amount } from '@heliarch/core';
import { findKinds, TYPICAL_LOADS_SOURCE, type TypicalLoad } from '@heliarch/core/editing';

/** A kind, and what of its plate was typed with it. */
export interface KindPicked {
  readonly kind: TypicalLoad;
  readonly stated: Amount | undefined;
}

/** The library of typical loads: find one, add it, correct it later. */
@Component({
  selector: 'heli-kind-picker',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog],
  template: `
    <heli-dialog heading="Add a load from its kind" [isOpen]="isOpen()" (closed)="close()">
      <p class="caption">
        Usual values, from memory: {{ source }}. Each may be 40 % off or more, is marked as typical, and is
        replaced by what you read or measure.
      </p>
      <label class="find">
        Find a kind
        <input
          #find
          type="search"
          autocomplete="off"
          placeholder="saw, hair dryer, table saw 3 hp, 1500 W"
          [value]="words()"
          (input)="words.set(find.value)"
          (keydown.enter)="pickFirst()"
        />
      </label>
      <div class="kinds">
        @for (group of groups(); track group.family) {
          <h3>{{ group.family }}</h3>
          <ul>
            @for (kind of group.kinds; track kind.id) {
              <li>
                <button type="button" (click)="pick(kind)">
                  <span>{{ kind.name }}</span>
                  <span class="figures">{{ range(kind) }}</span>
                </button>
              </li>
            }
          </ul>
        } @empty {
          <p>
            No kind has these words.
            <button type="button" class="link" (click)="name(words())">
              Add “{{ words() }}” and enter its numbers
            </button>
          </p>
        }
      </div>
    </heli-dialog>
  `,
  styles: `
    .find {
      display: flex;
      align-items: baseline;
      gap: 10px;
      margin: 12px 0 4px;
    }
    .find input {
      flex: 1;
      height: 32px;
      padding: 0 6px;
      border: 0;
      border-bottom: 2px solid var(--ink);
      border-radius: 0;
      background: none;
      font-size: 16px;
    }
    h3 {
      padding: 12px 0 3px;
      border-bottom: 1px solid var(--ink);
      font: 600 13.5px/18px var(--body);
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
      column-gap: 24px;
    }
    li {
      border-bottom: 1px solid var(--rule);
    }
    li button {
      display: flex;
      justify-content: space-between;
      gap: 10px;
      width: 100%;
      min-height: 30px;
      padding: 4px 2px;
      border: 0;
      background: none;
      text-align: left;
    }
    li button:hover {
      background: var(--paper-2);
    }
    li .figures {
      color: var(--ink-2);
      white-space: nowrap;
    }
    @media (pointer: coarse) {
      li button {
        min-height: 44px;
      }
    }
  `,
})
export class KindPicker {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly picked = output<KindPicked>();
  readonly named = output<string>();

  protected readonly words = signal('');
  protected readonly source = sourceWords(TYPICAL_LOADS_SOURCE);
  protected readonly isOpen = signal(false);

  private readonly search = computed(() => findKinds(this.numberStyle, this.words()));
  protected readonly groups = computed(() => {
    const found = this.search().kinds;
    return LOAD_FAMILIES.map((family) => ({
      family,
      kinds: found.filter((kind) => kind.family === family),
    })).filter(({ kinds }) => kinds.length > 0);
  });

  show(): void {
    this.isOpen.set(true);
  }

  protected close(): void {
    this.isOpen.set(false);
    this.words.set('');
  }

  protected pick(kind: TypicalLoad): void {
    const { stated } = this.search();
    this.close();
    this.picked.emit({ kind, stated });
  }

  protected name(name: string): void {
    this.named.emit(name.trim());
    this.close();
  }

  /** Enter takes the one that is left, or the first. */
  protected pickFirst(): void {
    const [first] = this.groups()[0]?.kinds ?? [];
    if (first) this.pick(first);
    else if (this.words().trim()) this.name(this.words());
  }

  protected range({ parts }: TypicalLoad): string {
    const [low, high] = parts.reduce(
      ([least, most], { watts }) => [least + watts.low, most + watts.high],
      [0, 0],
    );
    const start = parts.some(({ kind }) => kindOfPart(kind).startMultiple) ? ', with a start' : '';
    return `${formatNumber(this.numberStyle, rough(low), 0)} to ${formatNumber(this.numberStyle, rough(high), 0)} W${start}`;
  }
}

/** Two digits are all that a usual value has. */
function rough(watts: number): number {
  return Number(watts.toPrecision(2));
}
