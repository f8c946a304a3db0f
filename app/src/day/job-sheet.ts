import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { wattsInState } from '@heliarch/core/check';
import type { Day, Placement } from '@heliarch/core/rig';
import { timeInPlan } from '@heliarch/core/day';
import { Dialog } from '../ui/dialog';
import { FieldHelpLine } from '../parts/fields/field-help';
import { FieldRow } from '../parts/fields/field-row';
import { NotKeptYet } from '../parts/fields/not-kept-yet';
import { SheetContext } from '../parts/fields/sheet-context';
import { CookingEstimate } from '../parts/heat/cooking-estimate';
import { CabinEstimate } from '../parts/heat/cabin-estimate';
import { Select } from '../ui/select/select';
import { DayState } from './day-state';

const FIELDS = [
  'name',
  'load',
  'minutes',
  'leastMinutes',
  'times',
  'starts',
  'from',
  'until',
  'importance',
  'after',
  'attended',
  'turns',
  'maySplit',
  'blockMinutes',
  'repeats',
  'onDay',
  'keepsHours',
  'with',
  'meal',
];

const IN_FULL = { id: '', label: 'in full' };

/** One job: what it asks for, and where it stands in the plan. */
@Component({
  selector: 'heli-job-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    CookingEstimate,
    Dialog,
    FieldHelpLine,
    FieldRow,
    NotKeptYet,
    NzButtonComponent,
    CabinEstimate,
    Select,
  ],
  providers: [SheetContext],
  template: `
    <heli-dialog [heading]="heading()" [isOpen]="isOpen()" (closed)="closed.emit()">
      @if (isOpen() && place() >= 0) {
        @for (piece of pieces(); track piece.begin) {
          <p class="tools">
            <strong class="figures">{{ span(piece) }}</strong>
            <button type="button" class="link" (click)="state.pin(piece, piece.pinned !== 'yes')">
              {{ piece.pinned === 'yes' ? 'let it move' : 'pin it there' }}
            </button>
            @if (piece.minutes >= 10) {
              <button type="button" class="link" (click)="state.split(piece)">in two halves</button>
            }
            <button type="button" class="link" (click)="open(piece)">what runs then, in Together</button>
          </p>
        }
        <heli-not-kept-yet />
        @for (field of fields(); track field) {
          <heli-field [path]="field" />
        }
        @if (states(); as states) {
          <p class="state">
            <span>State</span>
            <heli-select
              label="State"
              [choices]="states"
              [selected]="stateId()"
              (choose)="sheet.set(path('state'), $event === '' ? undefined : $event)"
            />
          </p>
        }
        <p class="tools">
          <button
            type="button"
            class="link"
            [attr.aria-expanded]="helps() === 'cooking'"
            (click)="help('cooking')"
          >
            How long does it take to heat?
          </button>
          <button type="button" class="link" [attr.aria-expanded]="helps() === 'room'" (click)="help('room')">
            … to cool a room?
          </button>
        </p>
        @if (helps() === 'cooking') {
          @defer {
            <heli-cooking-estimate
              [watts]="watts()"
              [altitudeM]="state.rig().conditions?.altitudeM"
              (take)="takeMinutes($event)"
            />
          }
        } @else if (helps() === 'room') {
          @defer {
            <heli-cabin-estimate
              [watts]="watts()"
              [hasJob]="true"
              [outdoorC]="state.rig().conditions?.outdoorC"
              (take)="takeMinutes($event)"
              (takeCycle)="state.takeCycle(job()?.load, $event)"
            />
          }
        }
        <heli-field-help />
        <p class="tools"><button type="button" nz-button (click)="remove()">Remove this job</button></p>
      }
    </heli-dialog>
  `,
  styles: `
    .tools {
      display: flex;
      align-items: center;
      gap: 10px;
      padding: 6px 0;
    }
    .state {
      display: grid;
      grid-template-columns: 1fr 1fr;
      align-items: center;
      padding: 4px 0;
    }
  `,
})
export class JobSheet {
  protected readonly state = inject(DayState);
  protected readonly sheet = inject(SheetContext);
  private readonly router = inject(Router);
  readonly day = input.required<Day>();
  readonly jobId = input.required<string>();
  readonly isOpen = input.required<boolean>();
  readonly closed = output();

  protected readonly place = computed(() => this.day().jobs.findIndex(({ id }) => id === this.jobId()));
  protected readonly job = computed(() => this.day().jobs[this.place()]);
  protected readonly heading = computed(() => this.job()?.name ?? '');
  protected readonly fields = computed(() => FIELDS.map((field) => this.path(field)));
  protected readonly pieces = computed(() =>
    (this.day().plan ?? []).filter(({ job }) => job === this.jobId()),
  );
  protected readonly stateId = computed(() => this.job()?.state ?? '');
  protected readonly states = computed(() => {
    const { states = [] } = this.state.rig().loads.find(({ id }) => id === this.job()?.load) ?? {};
    return states.length > 0 ? [IN_FULL, ...states.map(({ id, name }) => ({ id, label: name }))] : undefined;
  });

  /** Which estimate is open. */
  protected readonly helps = signal<'cooking' | 'room' | undefined>(undefined);
  protected readonly watts = computed(() => {
    const rig = this.state.rig();
    const load = rig.loads.find(({ id }) => id === this.job()?.load);
    return load ? wattsInState(rig, load, this.job()?.state) : 0;
  });

  constructor() {
    effect(() => this.sheet.target.set({ list: 'days', id: this.day().id }));
  }

  protected path(field: string): string {
    return `jobs[${this.place()}].${field}`;
  }

  protected span({ begin, minutes }: Placement): string {
    return `${timeInPlan(this.day(), begin)} to ${timeInPlan(this.day(), begin + minutes)}`;
  }

  /** The moment in which it begins, with its staircase and its limits. */
  protected open({ begin }: Placement): void {
    if (this.state.takeUpMoment(begin)) void this.router.navigateByUrl('/together');
  }

  protected help(which: 'cooking' | 'room'): void {
    this.helps.update((open) => (open === which ? undefined : which));
  }

  protected takeMinutes(minutes: number): void {
    this.sheet.set(this.path('minutes'), minutes);
    this.helps.set(undefined);
  }

  protected remove(): void {
    this.closed.emit();
    this.state.removeJob(this.jobId());
  }
}
