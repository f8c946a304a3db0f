import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  inject,
  input,
  output,
  viewChild,
  ViewEncapsulation,
} from '@angular/core';
import { NzModalComponent, NzModalModule } from 'ng-zorro-antd/modal';

let nextId = 0;

/** A question or a sheet over the work: keeps the focus, closes on Escape, and is named by its heading. */
@Component({
  selector: 'heli-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzModalModule],
  template: `
    <nz-modal
      [nzVisible]="isOpen()"
      [nzTitle]="title"
      [nzCloseIcon]="close"
      [nzFooter]="null"
      [nzCentered]="true"
      [nzAutofocus]="null"
      [nzNoAnimation]="true"
      [nzWidth]="width()"
      nzWrapClassName="heli-dialog"
      (nzOnCancel)="closed.emit()"
    >
      <ng-template #title>
        <h2 [id]="titleId">{{ heading() }}</h2>
      </ng-template>
      <ng-template #close>Close</ng-template>
      <ng-container *nzModalContent><ng-content /></ng-container>
    </nz-modal>
  `,
  styleUrls: ['../styles/library/dialogs.css', './dialog.css'],
})
export class Dialog {
  readonly heading = input.required<string>();
  readonly isOpen = input.required<boolean>();
  readonly width = input('min(720px, 100vw - 32px)');
  /** It is there, and has taken the focus. */
  readonly opened = output();
  readonly closed = output();
  protected readonly titleId = `dialog-${(nextId += 1)}`;
  private readonly modal = viewChild.required(NzModalComponent);

  constructor() {
    let frame = 0;
    inject(DestroyRef).onDestroy(() => cancelAnimationFrame(frame));
    afterRenderEffect(() => {
      if (!this.isOpen()) return;
      // The library leaves its dialogs without a name, never says that one is open where nothing moves, and takes the
      // focus for the dialog itself in the next frame: what wants it waits for that.
      const container = this.modal().getElement()?.closest('[role=dialog]');
      if (container && !container.hasAttribute('aria-labelledby'))
        frame = requestAnimationFrame(() => this.opened.emit());
      container?.setAttribute('aria-labelledby', this.titleId);
      container?.setAttribute('aria-modal', 'true');
    });
  }
}
