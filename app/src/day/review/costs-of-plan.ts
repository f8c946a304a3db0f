import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzTableModule } from 'ng-zorro-antd/table';
import { formatNumber } from '@heliarch/core/units';
import { energyWords, type Cost, type PlanReview } from '@heliarch/core/day';
import { NamedTable } from '../../ui/library/named-table';
import { UnitChoice } from '../../parts/unit-choice';
import { DayState } from '../day-state';

const NOT_FED = 'not fed';

/** What a plan takes from each source, and what an hour of each load takes and costs on each supply. */
@Component({
  selector: 'heli-costs-of-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedTable, NzTableModule, RouterLink],
  template: `
    <p>
      @for (source of sources(); track source.name) {
        <strong>{{ source.name }}:</strong>&ngsp;<span class="figures">{{ source.words }}</span
        >{{ $last ? '.' : ', ' }}
      } @empty {
        All of it comes from the sun and the battery.
      }
      @if (!isPriced()) {
        <span class="caption">
          No price is entered: <a class="link" routerLink="/rig">per kWh of each supply, in Rig</a>.
        </span>
      }
    </p>
    <nz-table
      heliNamed="What each load takes and costs"
      nzSize="small"
      [nzData]="$any(rows())"
      [nzFrontPagination]="false"
      [nzShowPagination]="false"
    >
      <thead>
        <tr>
          <th scope="col">Load</th>
          <th scope="col" class="number">In this plan</th>
          @for (supply of supplies(); track supply.id) {
            <th scope="col" class="number">An hour: {{ supply.name }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.id) {
          <tr>
            <th scope="row">{{ row.name }}</th>
            <td class="number figures" data-label="In this plan">{{ row.planned }}</td>
            @for (hour of row.hours; track $index) {
              <td class="number figures" [attr.data-label]="'An hour: ' + supplies()[$index]?.name">
                {{ hour }}
              </td>
            }
          </tr>
        }
      </tbody>
    </nz-table>
    <p class="caption">
      On the battery with the losses of the inverter; what cycles by its mean. Sun costs nothing here, and the
      price of the battery is what you say it costs to fill again.
    </p>
  `,
  styles: `
    p {
      padding: 10px 0;
      color: var(--ink-2);
    }
    .ant-table-cell.number.number.number.number {
      padding-right: 20px;
      text-align: right;
    }
    td.number {
      white-space: nowrap;
    }
    /* On the phone each load stands above what it takes, each number with its name. */
    @media (max-width: 720px) {
      nz-table ::ng-deep :is(table, tbody) {
        display: block;
      }
      nz-table ::ng-deep thead {
        display: none;
      }
      tr {
        display: grid;
        grid-template-columns: repeat(2, minmax(0, 1fr));
        gap: 2px 10px;
        padding: 6px 0;
        border-bottom: 1px solid var(--rule);
      }
      tr > .ant-table-cell.ant-table-cell.ant-table-cell.ant-table-cell {
        min-width: 0;
        padding: 0;
        border: 0;
        text-align: left;
        white-space: normal;
      }
      tr > th.ant-table-cell {
        grid-column: 1 / -1;
      }
      td::before {
        content: attr(data-label);
        display: block;
        color: var(--ink-2);
        font: var(--type-caption);
      }
    }
  `,
})
export class CostsOfPlan {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(DayState);
  readonly review = input.required<PlanReview>();

  protected readonly supplies = computed(() => this.state.rig().supplies);
  protected readonly isPriced = computed(() =>
    this.supplies().some(({ pricePerKWh }) => pricePerKWh !== undefined),
  );
  protected readonly sources = computed(() =>
    this.review().costs.map((cost) => ({
      name: this.supplies().find(({ id }) => id === cost.supply)?.name ?? cost.supply,
      words: this.costWords(cost),
    })),
  );
  protected readonly rows = computed(() => {
    const [day, plan] = [this.state.day(), this.state.plan()];
    const plannedWh = (loadId: string): number =>
      (day?.jobs ?? [])
        .filter(({ load }) => load === loadId)
        .reduce((sum, { id }) => sum + (plan?.whOfJobs[id] ?? 0), 0);
    return this.review()
      .hours.map(({ load, on }) => ({
        id: load,
        name: this.state.rig().loads.find(({ id }) => id === load)?.name ?? load,
        wh: plannedWh(load),
        hours: this.supplies().map(({ id }) => {
          const cost = on[id];
          return cost ? this.costWords(cost) : NOT_FED;
        }),
      }))
      .sort((a, b) => b.wh - a.wh)
      .map(({ wh, ...row }) => ({ ...row, planned: wh > 0 ? energyWords(this.numberStyle, wh) : '' }));
  });

  private costWords({ wh, cost }: Cost): string {
    const energy = energyWords(this.numberStyle, wh);
    if (cost === undefined) return energy;
    const { currency } = this.state.rig();
    return `${energy}, ${formatNumber(this.numberStyle, cost, 2)}${currency ? ` ${currency}` : ''}`;
  }
}
