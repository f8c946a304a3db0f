import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  inject,
  ViewEncapsulation,
} from '@angular/core';
import { NzDrawerModule } from 'ng-zorro-antd/drawer';
import { BUILD_NAME } from '../ui/build-info';
import { CautionSheet } from '../parts/caution-sheet';
import { CAUTIONS } from './caution-texts';

const TITLE_ID = 'caution-title';

/** The cautions in full, beside the work. */
@Component({
  selector: 'heli-caution-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [NzDrawerModule],
  templateUrl: './caution-drawer.html',
  styleUrls: ['../styles/library/drawers.css', './caution-drawer.css'],
})
export class CautionDrawer {
  protected readonly sheet = inject(CautionSheet);
  protected readonly cautions = CAUTIONS;
  protected readonly build = BUILD_NAME;
  protected readonly titleId = TITLE_ID;

  constructor() {
    let before: Element | null = null;
    // The library's drawer is no dialog to a screen reader, and has no name; closed, it would stay in the page.
    afterRenderEffect(() => {
      if (!this.sheet.isOpen()) {
        if (before instanceof HTMLElement) before.focus();
        before = null;
        return;
      }
      before = document.activeElement;
      const drawer = document.getElementById(TITLE_ID)?.closest('.ant-drawer-content-wrapper');
      drawer?.setAttribute('role', 'dialog');
      drawer?.setAttribute('aria-modal', 'true');
      drawer?.setAttribute('aria-labelledby', TITLE_ID);
      drawer?.querySelector('.ant-drawer-body')?.setAttribute('tabindex', '0');
    });
  }
}
