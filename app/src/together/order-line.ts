import { CdkDrag, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, ElementRef, inject } from '@angular/core';
import { TogetherState } from './together-state';

/** The starts by hand in the user's own order, to be moved by pulling or by the arrow keys. */
@Component({
  selector: 'heli-order-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkDrag, CdkDropList],
  template: `
    <span id="order-help" class="caption">Pull one along, or move it with the arrow keys:</span>
    <ol aria-label="My order" cdkDropList cdkDropListOrientation="mixed" (cdkDropListDropped)="drop($event)">
      @for (start of starts(); track start.id; let place = $index) {
        <li cdkDrag>
          <button type="button" aria-describedby="order-help" (keydown)="key($event, place)">
            <span class="figures">{{ place + 1 }}</span> {{ start.name }}
          </button>
        </li>
      }
    </ol>
  `,
  styleUrl: './order-line.css',
})
export class OrderLine {
  private readonly state = inject(TogetherState);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly starts = computed(() =>
    this.state.result().order.map(({ load: { id, name } }) => ({ id, name })),
  );

  protected drop({ previousIndex, currentIndex }: CdkDragDrop<unknown>): void {
    if (previousIndex !== currentIndex) this.state.moveStart(previousIndex, currentIndex);
  }

  protected key(event: KeyboardEvent, place: number): void {
    const step = STEPS[event.key];
    const to = place + (step ?? 0);
    if (step === undefined) return;
    event.preventDefault();
    if (to < 0 || to >= this.starts().length) return;
    this.state.moveStart(place, to);
    // The button moves with its start, and the focus with the button once it is drawn.
    setTimeout(() => this.host.querySelectorAll('button')[to]?.focus());
  }
}

const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 };
