import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { describeProblem } from '@heliarch/core/rig';
import { RigEdits } from '../storage/rig-edits';

/** A part, a supply or a load of which something typed waits: the verdict goes on without it, and says so. */
@Component({
  selector: 'heli-unfinished',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    @if (edits.problems()[0]; as problem) {
      <p role="status">
        <strong>Something of this rig is unfinished</strong>, and this verdict goes on with what was there
        before: {{ words(problem) }}
        <a class="link" [routerLink]="place().room" [queryParams]="place().query">Complete it</a>
      </p>
    }
  `,
  styles: `
    p {
      margin-top: 8px;
      padding: 8px 12px;
      background: var(--sun-wash);
    }
  `,
})
export class Unfinished {
  protected readonly edits = inject(RigEdits);
  protected readonly words = describeProblem;
  protected readonly place = computed(() => {
    const target = this.edits.waitsFirst();
    if (!target || target.list === 'rig') return { room: '/rig', query: { view: 'setup' } };
    const { list, id } = target;
    if (list === 'loads') return { room: '/loads', query: { load: id } };
    const view = list === 'supplies' ? { view: 'supplies' } : {};
    return { room: '/rig', query: { part: `${list} ${id}`, ...view } };
  });
}
