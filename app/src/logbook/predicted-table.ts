import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { formatDuration, formatNumber, PERCENT } from '@heliarch/core/units';
import type { LogTest, Prediction, RunDown } from '@heliarch/core/logbook';
import { UnitChoice } from '../parts/unit-choice';
import { LogState } from './log-state';

/** What the rig's own numbers said before, beside what was measured, and what each difference does to the end. */
@Component({
  selector: 'heli-predicted-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table>
      <caption>
        Predicted beside measured
      </caption>
      <thead>
        <tr>
          <th scope="col"><span class="unseen">What</span></th>
          <th scope="col">Predicted</th>
          <th scope="col">Measured</th>
          <th scope="col">Effect</th>
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track row.what) {
          <tr>
            <th scope="row">{{ row.what }}</th>
            <td class="figures">{{ row.predicted }}</td>
            <td class="figures">
              <strong>{{ row.measured }}</strong>
            </td>
            <td class="figures">{{ row.effect }}</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      width: 100%;
      margin-top: 10px;
      border-collapse: collapse;
      font-size: 14px;
    }
    caption {
      padding-bottom: 3px;
      border-bottom: 1px solid var(--ink);
      text-align: left;
      font: var(--type-head);
    }
    th,
    td {
      padding: 4px 10px 4px 0;
      border-bottom: 1px solid var(--rule);
      text-align: left;
      font-weight: 400;
    }
    thead th {
      white-space: nowrap;
      color: var(--ink-2);
      font-size: 12.5px;
    }
  `,
})
export class PredictedTable {
  private readonly state = inject(LogState);
  private readonly units = inject(UnitChoice);
  readonly test = input.required<LogTest>();
  readonly runDown = input.required<RunDown>();
  readonly prediction = input.required<Prediction>();

  protected readonly rows = computed(() => {
    const { load, efficiency, battery, reserveAtS } = this.prediction();
    const reached = this.runDown().byCharge?.reserveAtS;
    const number = (value: number, decimals: number): string =>
      formatNumber(this.units.numbers, value, decimals);
    const effect = (seconds: number): string =>
      Math.abs(seconds) < 60 ? 'none' : `${seconds < 0 ? '−' : '+'}${formatDuration(Math.abs(seconds))}`;
    const moment = (atS: number): string => this.state.moment(atS, this.test());
    return [
      ...(load
        ? [
            {
              what: 'At the meter, W',
              predicted: number(load.predicted, 0),
              measured: number(load.measured, 0),
              effect: effect(load.effectS),
            },
          ]
        : []),
      ...(efficiency
        ? [
            {
              what: 'Inverter at that load, %',
              predicted: number(PERCENT * efficiency.predicted, 1),
              measured: number(PERCENT * efficiency.measured, 1),
              effect: effect(efficiency.effectS),
            },
          ]
        : []),
      {
        what: 'Out of the battery, W',
        predicted: number(battery.predicted, 0),
        measured: number(battery.measured, 0),
        effect: effect(battery.effectS),
      },
      ...(reached
        ? [
            {
              what: 'At the reserve',
              predicted: moment(reserveAtS),
              measured: moment(reached.stated),
              effect: effect(reached.stated - reserveAtS),
            },
          ]
        : []),
    ];
  });
}
