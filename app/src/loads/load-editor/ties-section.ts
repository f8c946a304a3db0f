import { UnitChoice } from '../../components/unit-choice';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { parseNumber, type Load, type Rig } from '@heliarch/core';
import { RigSession } from '../../storage/rig-session';

type Tie = NonNullable<Rig['ties']>[number];

/** What starts with this load, what excludes it, and what drops it. */
@Component({
  selector: 'heli-ties-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonModule],
  template: `
    @for (tie of ties(); track tie.index) {
      <p class="line">
        Starts with
        <select
          #leader
          aria-label="The load it starts with"
          [value]="tie.leader"
          (change)="setTie(tie.index, { leader: leader.value })"
        >
          @for (other of others(); track other.id) {
            <option [value]="other.id" [selected]="other.id === tie.leader">{{ other.name }}</option>
          }
        </select>
        after
        <input
          #delay
          type="text"
          inputmode="decimal"
          aria-label="Seconds after it"
          [value]="tie.delayS"
          (change)="setSeconds(tie.index, 'delayS', delay.value)"
        />
        s, runs on for
        <input
          #runOn
          type="text"
          inputmode="decimal"
          aria-label="Seconds it runs on"
          [value]="tie.runOnS ?? ''"
          (change)="setSeconds(tie.index, 'runOnS', runOn.value)"
        />
        s
        <button type="button" class="link" aria-label="Remove this tie" (click)="removeTie(tie.index)">
          remove
        </button>
      </p>
    }
    @for (leader of led(); track leader) {
      <p>{{ leader }} starts with it.</p>
    }
    @for (lock of locks(); track lock.index) {
      <p class="line">
        Either-or, “{{ lock.name }}”: one at a time of it and {{ lock.with }}
        <button type="button" class="link" aria-label="Leave this either-or" (click)="leaveLock(lock.index)">
          leave
        </button>
      </p>
    }
    @for (shedder of shedders(); track shedder.index) {
      <p class="line">
        {{ shedder.name }}: {{ shedder.words }}
        <button
          type="button"
          class="link"
          aria-label="Remove this shedder"
          (click)="removeShedder(shedder.index)"
        >
          remove
        </button>
      </p>
    }
    <p class="line">
      <select #other aria-label="Another load" [value]="others()[0]?.id ?? ''">
        @for (each of others(); track each.id) {
          <option [value]="each.id">{{ each.name }}</option>
        }
      </select>
      <button type="button" nz-button [disabled]="others().length === 0" (click)="tieTo(other.value)">
        It starts with that one
      </button>
      <button type="button" nz-button [disabled]="others().length === 0" (click)="lockWith(other.value)">
        Only one of the two runs
      </button>
      <button type="button" nz-button [disabled]="others().length === 0" (click)="dropFor(other.value)">
        It is dropped while that one runs
      </button>
    </p>
  `,
  styles: `
    :host {
      display: block;
      padding: 6px 0;
    }
    .line {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 8px;
      padding: 3px 0;
    }
    input {
      width: 46px;
      height: 26px;
      border: 0;
      border-bottom: 2px solid var(--ink);
      border-radius: 0;
      background: none;
      text-align: right;
    }
    select {
      height: 28px;
      max-width: 190px;
      border: 1px solid var(--rule-2);
      border-radius: 2px;
      background: var(--paper);
    }
    @media (pointer: coarse) {
      input,
      select {
        height: 44px;
      }
    }
  `,
})
export class TiesSection {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly session = inject(RigSession);
  readonly rig = input.required<Rig>();
  readonly load = input.required<Load>();

  protected readonly others = computed(() => this.rig().loads.filter(({ id }) => id !== this.load().id));
  protected readonly ties = computed(() =>
    (this.rig().ties ?? [])
      .map((tie, index) => ({ ...tie, index }))
      .filter(({ follower }) => follower === this.load().id),
  );
  protected readonly led = computed(() =>
    (this.rig().ties ?? [])
      .filter(({ leader }) => leader === this.load().id)
      .map(({ follower }) => this.nameOf(follower)),
  );
  protected readonly locks = computed(() =>
    (this.rig().locks ?? [])
      .map((lock, index) => ({
        index,
        name: lock.name,
        isIn: lock.loads.includes(this.load().id),
        with: lock.loads
          .filter((id) => id !== this.load().id)
          .map((id) => this.nameOf(id))
          .join(', '),
      }))
      .filter(({ isIn }) => isIn),
  );
  protected readonly shedders = computed(() =>
    (this.rig().shedders ?? [])
      .map(({ name, drops, watches }, index) => ({
        index,
        name,
        isIn: drops === this.load().id || watches === this.load().id,
        words:
          drops === this.load().id
            ? `it is dropped while ${this.nameOf(watches)} runs`
            : `${this.nameOf(drops)} is dropped while it runs`,
      }))
      .filter(({ isIn }) => isIn),
  );

  protected tieTo(leader: string): void {
    this.change('tie', (rig) => ({
      ...rig,
      ties: [...(rig.ties ?? []), { follower: this.load().id, leader, delayS: 1 }],
    }));
  }

  protected setTie(index: number, part: Partial<Tie>): void {
    this.change('change the tie of', (rig) => ({
      ...rig,
      ties: (rig.ties ?? []).map((tie, i) => (i === index ? { ...tie, ...part } : tie)),
    }));
  }

  protected setSeconds(index: number, key: 'delayS' | 'runOnS', text: string): void {
    const seconds = parseNumber(this.numberStyle, text);
    if (seconds === undefined || seconds < 0 || seconds > MOST_TIE_S) return;
    this.setTie(index, { [key]: seconds });
  }

  protected removeTie(index: number): void {
    this.change('untie', (rig) => ({ ...rig, ties: (rig.ties ?? []).filter((_, i) => i !== index) }));
  }

  protected lockWith(other: string): void {
    this.change('lock', (rig) => ({
      ...rig,
      locks: [
        ...(rig.locks ?? []),
        { name: `${this.load().name} or ${this.nameOf(other)}`, loads: [this.load().id, other] },
      ],
    }));
  }

  protected leaveLock(index: number): void {
    this.change('unlock', (rig) => ({
      ...rig,
      locks: (rig.locks ?? [])
        .map((lock, i) =>
          i === index ? { ...lock, loads: lock.loads.filter((id) => id !== this.load().id) } : lock,
        )
        .filter(({ loads }) => loads.length > 1),
    }));
  }

  protected dropFor(watches: string): void {
    this.change('shed', (rig) => ({
      ...rig,
      shedders: [
        ...(rig.shedders ?? []),
        { name: `Shedder of ${this.load().name}`, drops: this.load().id, watches },
      ],
    }));
  }

  protected removeShedder(index: number): void {
    this.change('unshed', (rig) => ({
      ...rig,
      shedders: (rig.shedders ?? []).filter((_, i) => i !== index),
    }));
  }

  private change(verb: string, edit: (rig: Rig) => Rig): void {
    this.session.change(edit, { label: `${verb} ${this.load().name}` });
  }

  private nameOf(id: string): string {
    return this.rig().loads.find((load) => load.id === id)?.name ?? id;
  }
}

const MOST_TIE_S = 3600;
