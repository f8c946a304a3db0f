import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NzTableModule } from 'ng-zorro-antd/table';
import { of, type Observable } from 'rxjs';
import { formatPercent } from '@heliarch/core/units';
import { energyWords, ENERGY_WORDS, momentInPlan, whOf, type DayPlan } from '@heliarch/core/day';
import { Answers, type Answer } from '../../compute/answers';
import { latest } from '../../compute/latest';
import { NamedTable } from '../../ui/library/named-table';
import { Select } from '../../ui/select/select';
import { UnitChoice } from '../../parts/unit-choice';
import { DayState } from '../day-state';

interface Line {
  readonly what: string;
  readonly own: string;
  readonly other: string;
}

/** Two days of a rig beside each other: the same jobs planned in two ways, or two ways to spend a day. */
@Component({
  selector: 'heli-compared-days',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedTable, NzTableModule, Select],
  template: `
    @if (others().length > 0) {
      <p>
        <span>Beside</span>
        <heli-select
          label="The other day"
          [choices]="others()"
          [selected]="other()?.id ?? ''"
          (choose)="otherId.set($event)"
        />
      </p>
      @if (lines(); as lines) {
        <nz-table
          heliNamed="Two days beside each other"
          nzSize="small"
          [nzData]="$any(lines)"
          [nzFrontPagination]="false"
          [nzShowPagination]="false"
        >
          <thead>
            <tr>
              <th scope="col"><span class="unseen">What</span></th>
              <th scope="col">{{ state.day()?.name }}</th>
              <th scope="col">{{ other()?.name }}</th>
            </tr>
          </thead>
          <tbody>
            @for (line of lines; track line.what) {
              <tr>
                <th scope="row">{{ line.what }}</th>
                <td class="figures" [attr.data-label]="state.day()?.name">{{ line.own }}</td>
                <td class="figures" [attr.data-label]="other()?.name">{{ line.other }}</td>
              </tr>
            }
          </tbody>
        </nz-table>
      }
    } @else {
      <p>
        <span
          >There is no other day yet: copy this one, change the copy, and they stand beside each other.</span
        >
        <button type="button" class="link" (click)="state.copy()">Copy this day</button>
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 10px;
      padding: 10px 0;
    }
    .ant-table-cell.ant-table-cell.ant-table-cell {
      padding-left: 0;
    }
    heli-select {
      min-width: 220px;
    }
  `,
})
export class ComparedDays {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly answers = inject(Answers);
  protected readonly state = inject(DayState);
  protected readonly otherId = signal<string | undefined>(undefined);

  protected readonly others = computed(() =>
    this.state
      .days()
      .filter(({ id }) => id !== this.state.day()?.id)
      .map(({ id, name }) => ({ id, label: name })),
  );
  protected readonly other = computed(() => {
    const others = this.state.days().filter(({ id }) => id !== this.state.day()?.id);
    return others.find(({ id }) => id === this.otherId()) ?? others[0];
  });
  private readonly answer = toSignal(
    latest(
      toObservable(computed(() => ({ rig: this.state.rig(), day: this.other() }))),
      ({ rig, day }): Observable<Answer<DayPlan | undefined>> =>
        day ? this.answers.ask('tick', rig, 'planAsKept', day) : of({ status: 'given', value: undefined }),
    ),
  );
  protected readonly lines = computed((): readonly Line[] | undefined => {
    const [own, given] = [this.state.plan(), this.answer()?.given];
    const other = given?.about.day === this.other() ? given?.value : undefined;
    const [day, otherDay] = [this.state.day(), this.other()];
    if (!own || !other || !day || !otherDay) return undefined;
    const [left, right] = [this.wordsOf(own, day), this.wordsOf(other, otherDay)];
    return left.map(([what, words], index) => ({ what, own: words, other: right[index]?.[1] ?? '' }));
  });

  private wordsOf(
    plan: DayPlan,
    day: Parameters<typeof momentInPlan>[0],
  ): readonly (readonly [what: string, words: string])[] {
    const percent = (wh: number): string => formatPercent(this.numberStyle, wh / plan.fullWh);
    const slack = plan.pieces.filter(({ later }) => later > 0).map(({ later }) => later);
    const failing = plan.moments.filter(({ verdict }) => verdict !== 'holds').length;
    return [
      ['Placed', `${plan.placed} of ${plan.of}`],
      ['Moments that do not hold', String(failing)],
      ['The battery', ENERGY_WORDS[plan.energy]],
      ['Lowest charge', `${percent(plan.lowest.wh)} at ${momentInPlan(day, plan.lowest.minutes)}`],
      ['At worst', percent(Math.min(...plan.charge.worst))],
      ['At the end', percent(plan.charge.stated.at(-1) ?? 0)],
      ['Generator', `${plan.generatorMinutes} min`],
      ['Sun used as it comes', energyWords(this.numberStyle, plan.directSunWh)],
      ['Sun thrown away', energyWords(this.numberStyle, whOf(plan.curtailedW))],
      ['Least slack', slack.length > 0 ? `${Math.min(...slack)} min` : 'none'],
      ['A grey hour', plan.survivesGreyHour ? 'does no harm' : 'is too much'],
    ];
  }
}
