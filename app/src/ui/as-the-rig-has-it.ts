import { afterEveryRender, DestroyRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { FormControl } from '@angular/forms';

/**
 * Ties a control to a value of the rig. A control takes a change itself; where the rig refuses it, or takes it back
 * before anything is drawn (an undo in the same moment), no binding has seen a change, and the control would go on to
 * show what is not so.
 *
 * @param shown What the rig has.
 * @param ask Asks the rig for a change.
 * @param draw Makes the boxes of the browser show it, where they take something themselves.
 */
export function asTheRigHasIt<T>(
  control: FormControl<T>,
  shown: () => T,
  ask: (value: T) => void,
  draw: () => void = () => undefined,
): void {
  control.valueChanges.pipe(takeUntilDestroyed(inject(DestroyRef))).subscribe((value) => {
    // A control that is only judged anew says its value again.
    if (value !== shown()) ask(value);
  });
  afterEveryRender({
    write: () => {
      if (control.value !== shown()) control.setValue(shown(), { emitEvent: false });
      draw();
    },
  });
}
