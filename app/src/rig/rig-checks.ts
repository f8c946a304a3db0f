import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { FitMark } from './fit-mark';
import { RigState } from './rig-state';

/** Whether the parts fit each other, beneath the drawing: what to mend first. */
@Component({
  selector: 'heli-rig-checks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FitMark],
  template: `
    <section aria-label="Rig checks">
      <h2 #heading tabindex="-1">
        Do the parts fit each other? <span class="caption">{{ summary() }}</span>
      </h2>
      <ul>
        @for (check of shown(); track check.id) {
          <li [class]="check.verdict">
            <heli-fit-mark [verdict]="check.verdict" />
            <div>
              <button type="button" class="link" (click)="state.select(check.list, check.entryId)">
                {{ check.title }}.
              </button>
              {{ check.sentence }}
              @if (check.fix) {
                <strong>{{ check.fix }}</strong>
              }
              <span class="caption">{{ check.source }}</span>
            </div>
          </li>
        }
      </ul>
      @if (holding() > 0) {
        <button type="button" class="link" [attr.aria-expanded]="isAll()" (click)="isAll.set(!isAll())">
          {{ isAll() ? 'Hide what holds' : 'Show the ' + holding() + ' that hold' }}
        </button>
      }
    </section>
  `,
  styles: `
    h2 {
      padding: 12px 0 4px;
      border-bottom: 1px solid var(--ink);
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(320px, 100%), 1fr));
      gap: 0 28px;
    }
    li {
      display: grid;
      grid-template-columns: 18px 1fr;
      gap: 8px;
      padding: 8px 0;
      border-bottom: 1px solid var(--rule);
      color: var(--ink-2);
    }
    li .link {
      font-weight: 600;
      text-decoration: none;
    }
    li .link:hover {
      text-decoration: underline;
    }
    strong {
      color: var(--ink);
      font-weight: 500;
    }
    .caption {
      display: block;
    }
    h2 .caption {
      display: inline;
      margin-left: 8px;
      font-weight: 400;
    }
    section > .link {
      margin: 8px 0;
      min-height: 24px;
    }
  `,
})
export class RigChecks {
  private readonly heading = viewChild.required<ElementRef<HTMLElement>>('heading');
  protected readonly state = inject(RigState);
  protected readonly isAll = signal(false);
  private readonly checks = this.state.checks;
  protected readonly holding = computed(
    () => this.checks().filter(({ verdict }) => verdict === 'holds').length,
  );
  protected readonly shown = computed(() =>
    this.checks().filter(({ verdict }) => this.isAll() || verdict !== 'holds'),
  );
  protected readonly summary = computed(() => {
    const count = (verdict: string): number =>
      this.checks().filter((check) => check.verdict === verdict).length;
    return [
      [count('trips'), 'do not fit'],
      [count('likely-trips'), 'likely do not fit'],
      [count('tight'), 'tight'],
      [count('unknown'), 'not known'],
      [this.holding(), 'hold'],
    ]
      .filter(([number]) => number !== 0)
      .map(([number, word]) => `${number} ${word}`)
      .join(', ');
  });

  reach(): void {
    const heading = this.heading().nativeElement;
    heading.scrollIntoView({ block: 'start' });
    heading.focus({ preventScroll: true });
  }
}
