import { UnitChoice } from '../../parts/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatAmount } from '@heliarch/core/units';
import { wattsInState } from '@heliarch/core/check';
import type { Load, Part } from '@heliarch/core/rig';
import { FieldRow } from '../../parts/fields/field-row';
import { SheetContext } from '../../parts/fields/sheet-context';

type State = NonNullable<Load['states']>[number];

/** The levels and modes of a load, a line each: its name, the share of each part, and what that comes to. */
@Component({
  selector: 'heli-states-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FieldRow],
  template: `
    @for (state of states(); track $index; let index = $index) {
      <div class="state" role="group" [attr.aria-label]="'State ' + (index + 1)">
        <heli-field
          class="called"
          [path]="'states[' + index + '].name'"
          [isStacked]="true"
          [isUnderHead]="index > 0 && isHeaded()"
        />
        @for (part of load().parts; track part.id) {
          @let at = placeOf(part, state);
          @if (at >= 0) {
            <span class="share">
              <heli-field
                [path]="'states[' + index + '].parts[' + at + '].share'"
                [label]="shareOf(part)"
                [isStacked]="true"
                [isUnderHead]="index > 0 && isHeaded()"
              />
              @if (state.parts.length > 1) {
                <button
                  type="button"
                  class="link"
                  [attr.aria-label]="'Take ' + nameOf(part) + ' out of ' + state.name"
                  (click)="sheet.set('states[' + index + '].parts[' + at + ']', undefined)"
                >
                  off in it
                </button>
              }
            </span>
          } @else {
            <button
              type="button"
              class="link share"
              [attr.aria-label]="'Let ' + nameOf(part) + ' run in ' + state.name"
              (click)="
                sheet.set('states[' + index + '].parts[' + state.parts.length + ']', {
                  part: part.id,
                  share: 1,
                })
              "
            >
              {{ nameOf(part) }} is off: let it run
            </button>
          }
        }
        @if (isLess(state)) {
          <heli-field
            [path]="'states[' + index + '].works'"
            [isStacked]="true"
            [isUnderHead]="index > firstLess() && isHeaded()"
          />
        }
        <span class="figures comes-to">{{ wattsIn(state) }}</span>
        <button
          type="button"
          class="link"
          [attr.aria-label]="'Remove the state ' + state.name"
          (click)="sheet.set('states[' + index + ']', undefined)"
        >
          remove
        </button>
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .state {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 0 18px;
      border-top: 1px solid var(--rule);
    }
    .called {
      flex: 0 1 150px;
    }
    .share {
      min-width: 130px;
    }
    span.share {
      display: flex;
      align-items: end;
      gap: 8px;
    }
    .comes-to,
    .share > .link,
    .state > .link {
      text-align: left;
      padding-bottom: 9px;
    }
    .comes-to {
      min-width: 64px;
      margin-left: auto;
      color: var(--ink-2);
      text-align: right;
    }
    .link {
      color: var(--ink-2);
      font-size: var(--size-caption);
      min-height: var(--touch);
    }
  `,
})
export class StatesSection {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly sheet = inject(SheetContext);
  readonly load = input.required<Load>();

  /** Whether a part of it runs with less than its full power. */
  protected isLess({ parts }: State): boolean {
    return parts.some(({ share }) => share > 0 && share < 1);
  }

  /** Where it is asked first what less power means. */
  protected readonly firstLess = computed(() => this.states().findIndex((state) => this.isLess(state)));

  /** As typed. */
  protected readonly states = computed(() => (this.sheet.value('states') ?? []) as readonly State[]);

  /** The names in the first line stand for those below, where every part runs in it. */
  protected readonly isHeaded = computed(() => this.states()[0]?.parts.length === this.load().parts.length);

  protected placeOf({ id }: Part, { parts }: State): number {
    return parts.findIndex(({ part }) => part === id);
  }

  protected nameOf({ id, name }: Part): string {
    return name ?? id;
  }

  protected shareOf(part: Part): string {
    return this.load().parts.length > 1 ? `${this.nameOf(part)}, share` : 'share';
  }

  /** What runs in it, once it can be computed with. */
  protected wattsIn({ id }: State): string {
    const rig = this.sheet.sound();
    const load = rig.loads.find((each) => each.id === this.load().id);
    const isKept = load?.states?.some((state) => state.id === id);
    return load && isKept ? `= ${formatAmount(this.numberStyle, wattsInState(rig, load, id), 'W')}` : '';
  }
}
