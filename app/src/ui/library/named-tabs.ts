import { afterEveryRender, Directive, ElementRef, inject, input } from '@angular/core';
import { LibraryStyles } from './library-styles';
import { TabStyles } from './tab-styles';

/** Gives tabs of the library our look and a name, and each panel an id of its own: there it has that of its tab. */
@Directive({ selector: 'nz-tabs[heliNamed]' })
export class NamedTabs {
  readonly heliNamed = input.required<string>();

  constructor() {
    inject(LibraryStyles).bring(TabStyles);
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterEveryRender(() => {
      host.querySelector('[role=tablist]')?.setAttribute('aria-label', this.heliNamed());
      for (const panel of host.querySelectorAll('[role=tabpanel]')) {
        const tabId = panel.getAttribute('aria-labelledby');
        if (tabId && panel.id === tabId) panel.id = `${tabId}-panel`;
      }
      for (const tab of host.querySelectorAll('[role=tab]')) {
        const panel = document.getElementById(`${tab.id}-panel`);
        if (panel) tab.setAttribute('aria-controls', panel.id);
        else tab.removeAttribute('aria-controls');
      }
    });
  }
}
