import { createComponent, EnvironmentInjector, inject, Injectable, type Type } from '@angular/core';

/** Brings styles of the component library with the first who needs them: no room pays for what another one shows. */
@Injectable({ providedIn: 'root' })
export class LibraryStyles {
  private readonly environmentInjector = inject(EnvironmentInjector);
  private readonly brought = new Set<Type<unknown>>();

  /** @param holder A component that is nothing but its styles. */
  bring(holder: Type<unknown>): void {
    if (this.brought.has(holder)) return;
    this.brought.add(holder);
    createComponent(holder, { environmentInjector: this.environmentInjector });
  }
}
