import {
  ChangeDetectionStrategy,
  Component,
  effect,
  type ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BUILD_NAME } from '../components/build-info';
import { CautionSheet } from '../components/caution-sheet';
import { CAUTIONS } from './caution-texts';

/** The cautions in full, beside the work: the browser's own dialog keeps focus and closes on Escape. */
@Component({
  selector: 'heli-caution-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent],
  template: `
    <dialog #dialog aria-labelledby="caution-title" (close)="sheet.isOpen.set(false)">
      <header>
        <h2 id="caution-title">Before you rely on this</h2>
        <button type="button" nz-button (click)="sheet.isOpen.set(false)">Close</button>
      </header>
      @for (caution of cautions; track caution.title) {
        <section>
          <h3>{{ caution.title }}</h3>
          <p>{{ caution.text }}</p>
        </section>
      }
      <p class="build">{{ build }}. MIT licence. Nothing leaves this browser.</p>
    </dialog>
  `,
  styles: `
    dialog {
      width: min(460px, 100vw);
      max-width: none;
      height: 100dvh;
      max-height: none;
      margin: 0 0 0 auto;
      padding: 0 24px 24px;
      border: 0;
      border-left: 1px solid var(--ink);
      background: var(--paper);
      color: var(--ink);
    }
    dialog::backdrop {
      background: rgb(0 0 0 / 45%);
    }
    header {
      position: sticky;
      top: 0;
      display: flex;
      align-items: center;
      justify-content: space-between;
      padding: 14px 0;
      border-bottom: 1px solid var(--ink);
      background: var(--paper);
    }
    h2 {
      font: 600 20px/26px var(--body);
    }
    .build {
      padding-top: 12px;
    }
    section {
      padding: 12px 0;
      border-bottom: 1px solid var(--rule);
    }
    h3 {
      font: 600 15px/20px var(--body);
    }
    p {
      margin-top: 4px;
      color: var(--ink-2);
    }
  `,
})
export class CautionDrawer {
  protected readonly sheet = inject(CautionSheet);
  protected readonly cautions = CAUTIONS;
  protected readonly build = BUILD_NAME;
  private readonly dialog = viewChild.required<ElementRef<HTMLDialogElement>>('dialog');

  constructor() {
    effect(() => {
      const dialog = this.dialog().nativeElement;
      if (this.sheet.isOpen()) dialog.showModal();
      else dialog.close();
    });
  }
}
