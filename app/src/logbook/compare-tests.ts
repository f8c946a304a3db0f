import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { formatNumber } from '@heliarch/core/units';
import { combineTests, givenWords, type Combined, type LogTest, type Offered } from '@heliarch/core/logbook';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { combineLatest, filter, map, of, switchMap } from 'rxjs';
import { UnitChoice } from '../parts/unit-choice';
import { Plot } from '../ui/plot/plot';
import { driftPlot, type Tested } from './drift-plot';
import { LogState } from './log-state';

/** A number by one test. */
interface ByTest {
  readonly test: LogTest;
  readonly offered: Offered;
}

/** Every number that several tests have measured: beside each other, put together, and how it moves. */
@Component({
  selector: 'heli-compare-tests',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, Plot],
  template: `
    @for (number of numbers(); track number.target) {
      <section [attr.aria-label]="number.what">
        <h3>
          {{ number.what }} <span>{{ number.unit }}, {{ number.rows.length }} tests</span>
        </h3>
        <table>
          <thead>
            <tr>
              <th scope="col">Test</th>
              <th scope="col">Date</th>
              <th scope="col">Measured</th>
              <th scope="col"><span class="unseen">Whether it counts</span></th>
            </tr>
          </thead>
          <tbody>
            @for (row of number.rows; track row.id) {
              <tr [class.apart]="row.isApart">
                <th scope="row">{{ row.question }}</th>
                <td>{{ row.date }}</td>
                <td class="figures">{{ row.value }}</td>
                <td>{{ row.isApart ? 'stands apart, left out' : '' }}</td>
              </tr>
            }
          </tbody>
        </table>
        @if (number.all; as all) {
          @if (all.drawn; as drawn) {
            @defer (on immediate) {
              <heli-plot [drawn]="drawn" />
            }
          }
          <p>
            Together <strong class="figures">{{ all.together }}</strong>{{ all.drift }}
          </p>
          @if (all.offered; as offered) {
            <button type="button" nz-button (click)="state.use(offered, number.testId)">
              Use them together
            </button>
          }
        }
      </section>
    } @empty {
      <p class="caption">
        {{ isAsking() ? 'Reading the tests …' : 'No number has been measured by two tests yet.' }}
      </p>
    }
  `,
  styles: `
    section {
      padding-bottom: 14px;
    }
    h3 {
      display: flex;
      justify-content: space-between;
      border-bottom: 1px solid var(--ink);
      font: var(--type-head);
    }
    h3 span {
      color: var(--ink-2);
      font-weight: 400;
      font-size: 12.5px;
    }
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 4px 12px 4px 0;
      border-bottom: 1px solid var(--rule);
      text-align: left;
      font-weight: 400;
    }
    thead th {
      color: var(--ink-2);
      font-size: 12.5px;
    }
    .apart {
      color: var(--ink-2);
    }
    p {
      padding-top: 6px;
    }
  `,
})
export class CompareTests {
  protected readonly state = inject(LogState);
  private readonly units = inject(UnitChoice);

  private readonly analysed = toSignal(
    toObservable(this.state.tests).pipe(
      switchMap((tests) =>
        tests.length === 0
          ? of([])
          : combineLatest(
              tests.map((test) =>
                this.state.givenOf(test).pipe(
                  filter(({ status }) => status !== 'asked'),
                  map((answer) => ({ test, offered: answer.status === 'given' ? answer.value.offered : [] })),
                ),
              ),
            ),
      ),
    ),
  );
  protected readonly isAsking = computed(() => this.analysed() === undefined);

  protected readonly numbers = computed(() => {
    const byTarget = new Map<string, ByTest[]>();
    for (const { test, offered } of this.analysed() ?? [])
      for (const each of offered)
        byTarget.set(each.target, [...(byTarget.get(each.target) ?? []), { test, offered: each }]);
    return [...byTarget]
      .filter(([, all]) => all.length > 1)
      .map(([target, all]) => this.numberOf(target, all));
  });

  private numberOf(target: string, all: readonly ByTest[]) {
    const sorted = [...all].sort((a, b) => a.test.begunAtS - b.test.begunAtS);
    const [first] = sorted;
    const words =
      first && givenWords(this.units.numbers, this.state.rig(), first.offered.given, first.offered.change);
    const tested: readonly Tested[] = sorted.map(({ test, offered: { change } }) => ({
      id: test.id,
      atS: test.begunAtS,
      ...change.after,
    }));
    const unit = words?.unit ?? '';
    const combined = combineTests(tested.map(({ id, ...rest }) => ({ test: id, ...rest })));
    const number = (value: number): string => formatNumber(this.units.numbers, value, value < 100 ? 1 : 0);
    return {
      target,
      what: words?.what ?? target,
      unit,
      rows: sorted.map(({ test, offered: { change } }) => ({
        id: test.id,
        question: test.question,
        date: this.state.date(test.begunAtS),
        value: number(change.after.value),
        isApart: combined?.apart.includes(test.id) ?? false,
      })),
      testId: sorted.at(-1)?.test.id,
      all: combined && {
        offered: offeredTogether(sorted, combined),
        drawn: driftPlot(tested, combined, unit, { number, moment: (atS) => this.state.date(atS) }),
        together: `${number(combined.value)} ± ${number(combined.half)} ${unit}`,
        drift: driftWords(combined, (value) => `${number(value)} ${unit}`),
      },
    };
  }
}

function driftWords({ driftPerMonth, drifts }: Combined, number: (value: number) => string): string {
  if (!driftPerMonth) return '. Three tests tell whether it moves.';
  if (!drifts) return '. No drift beyond chance.';
  const { stated } = driftPerMonth;
  return `. It moves: ${stated > 0 ? 'up' : 'down'} ${number(Math.abs(stated))} a month, beyond chance. Then the newest test says more than all of them together.`;
}

/** The number of the newest test with the value of all of them; undefined where it has no doubt of its own, or is a share. */
function offeredTogether(sorted: readonly ByTest[], { value, half }: Combined): Offered | undefined {
  const newest = sorted.at(-1)?.offered;
  if (!newest || !('quantity' in newest.given)) return undefined;
  const quantity = {
    ...newest.given.quantity,
    value: Math.round(value),
    minus: Math.round(half),
    plus: Math.round(half),
    source: `Logbook, ${sorted.length} tests together`,
  };
  return {
    ...newest,
    given: { ...newest.given, quantity },
    change: { ...newest.change, after: { value: quantity.value, half: quantity.plus } },
  };
}
