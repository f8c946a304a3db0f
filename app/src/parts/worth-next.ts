import { NgTemplateOutlet } from '@angular/common';
import { UnitChoice } from './unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Rig } from '@heliarch/core/rig';
import { worthLookingUpWords } from '@heliarch/core/describe';
import { debounceTime, EMPTY } from 'rxjs';
import { Answers } from '../compute/answers';
import { latest } from '../compute/latest';

/** The search asks many what-ifs: it waits until the typing rests. */
const REST_MS = 400;

/** The number worth looking up next, and why; then what is worth it after that. */
@Component({
  selector: 'heli-worth-next',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgTemplateOutlet],
  template: `
    @if (worth(); as worth) {
      <section aria-label="Worth looking up next">
        <h2>Worth looking up next</h2>
        <p>
          <ng-container [ngTemplateOutlet]="one" [ngTemplateOutletContext]="{ $implicit: worth }" />
        </p>
        @if (after().length > 0) {
          <ol aria-label="After that">
            @for (next of after(); track $index) {
              <li>
                <ng-container [ngTemplateOutlet]="one" [ngTemplateOutletContext]="{ $implicit: next }" />
              </li>
            }
          </ol>
        }
      </section>
    }
    <ng-template #one let-worth>
      @if (worth.loadId; as loadId) {
        <button type="button" class="link" (click)="opened.emit(loadId)">{{ worth.what }}.</button>
      } @else {
        <strong>{{ worth.what }}.</strong>
      }
      {{ worth.why }}
    </ng-template>
  `,
  styles: `
    section {
      padding: 10px 0 8px;
    }
    h2 {
      border-bottom: 1px solid var(--ink);
    }
    p,
    li {
      padding-top: 6px;
      color: var(--ink-2);
    }
    .link {
      font-weight: 600;
      text-align: left;
      min-height: var(--touch);
    }
  `,
})
export class WorthNext {
  private readonly numberStyle = inject(UnitChoice).numbers;
  readonly rig = input.required<Rig>();
  readonly opened = output<string>();

  private readonly answers = inject(Answers);
  private readonly asked = toSignal(
    latest(toObservable(this.rig).pipe(debounceTime(REST_MS)), (rig) => {
      const [scene] = rig.scenes;
      return scene ? this.answers.ask('search', rig, 'worthLookingUp', scene) : EMPTY;
    }),
  );
  private readonly all = computed(() => {
    const given = this.asked()?.given;
    if (!given) return [];
    return given.value.map((found) => ({
      ...worthLookingUpWords(this.numberStyle, given.about, found),
      loadId: found.by === 'number' ? found.loadId : undefined,
    }));
  });
  protected readonly worth = computed(() => this.all()[0]);
  protected readonly after = computed(() => this.all().slice(1));
}
