import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { MS_PER_SECOND } from '@heliarch/core/units';
import { supplyName } from './supply-name';
import { NowState } from '../now-state';

const PACES = { 'at-once': 'at once', seconds: 'after seconds', minutes: 'after minutes' } as const;

/** The trips that are kept, each with what was on before it. */
@Component({
  selector: 'heli-kept-trips',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>Trips</h1>
    <p class="caption">In this browser only, as they were when it went dark.</p>
    <ul>
      @for (trip of trips(); track trip.atS) {
        <li>
          <strong>{{ trip.when }}, {{ trip.supply }}</strong>
          <span>{{ trip.seen }}</span>
          <span>On: {{ trip.on }}</span>
        </li>
      }
    </ul>
    <button type="button" class="link" (click)="left.emit()">Back to what is on</button>
  `,
  styles: `
    :host {
      display: block;
      max-width: 720px;
      padding: 12px 0;
    }
    h1 {
      font: var(--type-title);
    }
    li {
      display: grid;
      gap: 2px;
      padding: 10px 0;
      border-bottom: 1px solid var(--rule);
    }
    strong {
      font-size: 14.5px;
    }
    .link {
      min-height: max(36px, var(--touch));
    }
  `,
})
export class KeptTrips {
  private readonly state = inject(NowState);
  readonly left = output();

  protected readonly trips = computed(() =>
    [...this.state.at().trips].reverse().map((trip) => {
      const { loads } = this.state.rig();
      const nameOf = (id: string | undefined): string =>
        loads.find((load) => load.id === id)?.name ?? 'a load that is gone';
      const { went, pace, noticed } = trip.observation;
      return {
        atS: trip.atS,
        when: `${new Date(trip.atS * MS_PER_SECOND).toLocaleDateString()} ${this.state.clock(trip.atS)}`,
        supply: supplyName(this.state.rig(), trip.supply),
        seen: [
          went === 'all' ? 'All went dark' : 'Some went dark',
          ...(pace ? [PACES[pace]] : []),
          ...(trip.started === undefined ? [] : [`last started: ${nameOf(trip.started)}`]),
          ...noticed,
        ].join(', '),
        on: trip.on.map(({ load }) => nameOf(load)).join(', ') || 'nothing ticked',
      };
    }),
  );
}
