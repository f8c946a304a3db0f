import { afterEveryRender, Directive, ElementRef, inject, input } from '@angular/core';
import { LibraryStyles } from './library-styles';
import { TableStyles } from './table-styles';

/** Gives a table of the library our look, a name, and roles that it keeps where a narrow screen stacks its cells. */
@Directive({ selector: 'nz-table[heliNamed]' })
export class NamedTable {
  readonly heliNamed = input.required<string>();

  constructor() {
    inject(LibraryStyles).bring(TableStyles);
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // The library makes its tables anew as it goes from few rows to many.
    afterEveryRender(() => {
      for (const table of host.querySelectorAll(
        `table:not([aria-label="${CSS.escape(this.heliNamed())}"])`,
      )) {
        table.setAttribute('role', 'table');
        table.setAttribute('aria-label', this.heliNamed());
        for (const group of table.querySelectorAll('thead, tbody')) group.setAttribute('role', 'rowgroup');
      }
    });
  }
}
