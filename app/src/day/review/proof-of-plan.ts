import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NzTableModule } from 'ng-zorro-antd/table';
import { of, type Observable } from 'rxjs';
import { clashWords, reachWords, type ProofOfPlan as Proof } from '@heliarch/core/day';
import { Answers, type Answer } from '../../compute/answers';
import { latest } from '../../compute/latest';
import { AnswerState } from '../../parts/answer-state';
import { NamedTable } from '../../ui/library/named-table';
import { UnitChoice } from '../../parts/unit-choice';
import { DayState } from '../day-state';

const STANDINGS = {
  best: 'the best there is',
  'maybe-better': 'there may be better',
  beyond: 'more than holds: look at what needs you',
} as const;

/** How far a plan can be from the best possible one, and which musts clash; asked when it is looked at. */
@Component({
  selector: 'heli-proof-of-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, NamedTable, NzTableModule],
  template: `
    <heli-answer-state what="The bounds" [answer]="answer()?.newest" />
    @if (clash(); as clash) {
      <p>
        <strong>{{ clash }}</strong>
      </p>
    }
    @if (lines(); as lines) {
      <nz-table
        heliNamed="This plan beside the best possible"
        nzSize="small"
        [nzData]="$any(lines)"
        [nzFrontPagination]="false"
        [nzShowPagination]="false"
      >
        <thead>
          <tr>
            <th scope="col"><span class="unseen">What</span></th>
            <th scope="col" class="number">This plan</th>
            <th scope="col" class="number">At best</th>
            <th scope="col"><span class="unseen">Is it the best</span></th>
          </tr>
        </thead>
        <tbody>
          @for (line of lines; track line.what) {
            <tr>
              <th scope="row">{{ line.what }}</th>
              <td class="number figures" data-label="This plan">{{ line.reached }}</td>
              <td class="number figures" data-label="At best">{{ line.atBest }}</td>
              <td>
                {{ line.standing ? standings[line.standing] : '' }}
              </td>
            </tr>
          }
        </tbody>
      </nz-table>
      <p class="caption">
        Each line with the lines above it as this plan has them. The bound allows more than a plan can do,
        such as jobs in pieces: where a plan is below it, a better one may not exist.
      </p>
    }
  `,
  styles: `
    p {
      padding: 10px 0;
    }
    .ant-table-cell.number.number.number.number {
      padding-right: 24px;
      text-align: right;
    }
  `,
})
export class ProofOfPlan {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly state = inject(DayState);
  private readonly answers = inject(Answers);

  protected readonly standings = STANDINGS;
  protected readonly answer = toSignal(
    latest(
      toObservable(computed(() => ({ rig: this.state.rig(), day: this.state.day() }))),
      ({ rig, day }): Observable<Answer<Proof | undefined>> =>
        day ? this.answers.ask('proof', rig, 'proofOfPlan', day) : of({ status: 'given', value: undefined }),
    ),
  );
  private readonly proof = computed(() => {
    const given = this.answer()?.given;
    return given?.about.day === this.state.day() ? given?.value : undefined;
  });
  protected readonly lines = computed(() => {
    const [proof, plan] = [this.proof(), this.state.plan()];
    return proof && plan && reachWords(this.numberStyle, proof, plan.fullWh);
  });
  protected readonly clash = computed(() => {
    const day = this.state.day();
    return day && clashWords(day, this.proof()?.clash);
  });
}
