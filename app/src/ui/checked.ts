import { afterEveryRender, Directive, ElementRef, inject, input } from '@angular/core';

/**
 * Whether a box is ticked, as the rig has it. A browser ticks the box itself; where the rig takes the tick
 * back before anything is drawn (an undo in the same moment), the binding has seen no change, and the
 * box would go on to show what is not so.
 */
@Directive({ selector: 'input[heliChecked]' })
export class Checked {
  readonly heliChecked = input.required<boolean>();

  constructor() {
    const box = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
    afterEveryRender({
      write: () => {
        box.checked = this.heliChecked();
      },
    });
  }
}
