import { inject, Injectable } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { filter } from 'rxjs';
import { Notices } from './notices';

/** Says so when the server has a newer build; nothing changes until the user wants it. */
@Injectable({ providedIn: 'root' })
export class NewerBuild {
  private readonly notices = inject(Notices);

  constructor() {
    inject(SwUpdate)
      .versionUpdates.pipe(
        filter((event) => event.type === 'VERSION_READY'),
        takeUntilDestroyed(),
      )
      .subscribe(() =>
        this.notices.tell({
          text: 'A newer build is ready.',
          action: { label: 'Reload to use it', run: () => location.reload() },
        }),
      );
  }
}
