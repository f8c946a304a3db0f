import { CdkMenu, CdkMenuItem, CdkMenuTrigger } from '@angular/cdk/menu';
import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { ROOMS } from './rooms';

/** The rooms that have no place of their own under the thumb of a phone. */
@Component({
  selector: 'heli-more-rooms',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkMenu, CdkMenuItem, CdkMenuTrigger],
  template: `
    <button type="button" [class.active]="open()" [cdkMenuTriggerFor]="menu">
      <span class="unseen">Other rooms: </span>{{ open() ?? 'More' }}
    </button>
    <ng-template #menu>
      <section aria-label="Other rooms">
        <div class="menu" cdkMenu>
          @for (room of rooms; track room.path) {
            <button type="button" cdkMenuItem (cdkMenuItemTriggered)="go(room.path)">
              {{ room.data?.['label'] }}
            </button>
          }
        </div>
      </section>
    </ng-template>
  `,
  styleUrl: '../ui/menu.css',
  styles: `
    :host {
      display: flex;
      align-self: stretch;
      flex: 1;
    }
    :host > button {
      flex: 1;
      min-width: 44px;
      padding: 0 8px 4px;
      border-top: 4px solid transparent;
      text-align: center;
      font-size: 15px;
    }
    :host > .active {
      border-top-color: var(--sun);
      color: var(--ink);
      font-weight: 500;
    }
  `,
})
export class MoreRooms {
  private readonly router = inject(Router);
  readonly gone = output();
  protected readonly rooms = ROOMS.filter(({ data }) => data?.['onPhone'] === 'behind-more');
  private readonly address = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map(() => this.router.url),
      startWith(this.router.url),
    ),
  );
  /** The one of them that is open. */
  protected readonly open = computed(() => {
    const address = this.address() ?? '';
    const room = this.rooms.find(({ path }) => new RegExp(`^/${path}\\b`).test(address));
    return room?.data?.['label'] as string | undefined;
  });

  protected go(path: string | undefined): void {
    this.gone.emit();
    void this.router.navigate([path ?? '']);
  }
}
