import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  output,
  viewChildren,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { kindOfPart, partNumber, type Load, type Part } from '@heliarch/core/rig';
import type { Outlook } from '@heliarch/core/check';
import { asIfOn } from '@heliarch/core/explain';
import { LimitWorking } from '../parts/limit-working';
import { LoadNumber, type NumberAsked } from './load-number';
import { TogetherState } from './together-state';
import { WaysForLoad } from './ways-to-fit/ways-for-load';

type Answered = Outlook['answer'];

const NUMBERS: readonly NumberAsked[] = [
  { purpose: 'running', label: 'Running', unit: 'W' },
  { purpose: 'start', label: 'Start', unit: 'VA' },
  { purpose: 'seconds', label: 'Lasts', unit: 's' },
];

/** The numbers of one load, to be corrected in place. */
@Component({
  selector: 'heli-load-numbers',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LimitWorking, LoadNumber, NzButtonComponent, RouterLink, WaysForLoad],
  host: {
    role: 'group',
    '[attr.aria-label]': '"Numbers of " + load().name',
    '(keydown.escape)': 'done.emit()',
  },
  template: `
    @for (part of load().parts; track part.id) {
      @if (load().parts.length > 1) {
        <h3>{{ part.name ?? part.id }}</h3>
      }
      @for (number of numbersOf(part); track number.purpose) {
        <heli-load-number [load]="load()" [part]="part" [asked]="number" />
      }
      @if (!part.start) {
        <p class="caption">No start: a {{ kindName(part) }} starts with what it runs on.</p>
      }
    }
    @if (mustWait()) {
      @defer (on immediate) {
        <heli-ways-for-load [load]="load()" />
      }
    }
    @if (outlookLimit(); as limit) {
      <h3>Why it {{ outlookVerb() }}</h3>
      <heli-limit-working [rig]="state.rig()" [set]="asIfOn()" [limit]="limit" />
    }
    <p>
      <a class="link" routerLink="/together" [queryParams]="{ view: 'whom', with: load().id }">
        What can run with it?
      </a>
    </p>
    <button type="button" nz-button (click)="done.emit()">Done</button>
  `,
  styles: `
    :host {
      display: block;
      margin: 2px 0 8px;
      padding: 0 10px 10px;
      border: 1px solid var(--ink);
      border-radius: 2px;
      background: var(--surface);
    }
    h3 {
      padding-top: 8px;
      font: var(--type-small-head);
    }
    p {
      padding: 6px 0;
      color: var(--ink-2);
    }
    button[nz-button] {
      margin-top: 6px;
    }
  `,
})
export class LoadNumbers {
  protected readonly state = inject(TogetherState);
  private readonly fields = viewChildren(LoadNumber);

  readonly load = input.required<Load>();
  readonly done = output();

  /** What decides whether it can be switched on now; nothing where it is on or not fed. */
  private readonly outlook = computed(() => this.state.outlooks().get(this.load().id));
  protected readonly outlookLimit = computed(() => {
    const outlook = this.outlook();
    return outlook && 'limit' in outlook ? outlook.limit : undefined;
  });
  protected readonly outlookVerb = computed(() => {
    const answer = this.outlook()?.answer;
    const verbs: Partial<Record<Answered, string>> = {
      'can-start': 'can start',
      tight: 'is tight',
      'likely-trips': 'likely trips it',
      worse: 'adds to the overload',
    };
    return (answer && verbs[answer]) ?? 'must wait';
  });
  protected readonly mustWait = computed(() => {
    const answer = this.outlook()?.answer;
    return answer !== undefined && answer !== 'can-start' && answer !== 'beside' && answer !== 'not-here';
  });
  protected readonly asIfOn = computed(() => asIfOn(this.state.rig(), this.state.result(), this.load()));

  constructor() {
    afterNextRender(() => this.fields()[0]?.focus());
  }

  protected numbersOf(part: Part): readonly NumberAsked[] {
    return NUMBERS.filter(({ purpose }) => partNumber(this.state.rig(), this.load(), part, purpose));
  }

  protected kindName(part: Part): string {
    return kindOfPart(part.kind).name;
  }
}
