import { Injectable, signal } from '@angular/core';

/** Whether the cautions are open; any room may open them. */
@Injectable({ providedIn: 'root' })
export class CautionSheet {
  readonly isOpen = signal(false);
}
