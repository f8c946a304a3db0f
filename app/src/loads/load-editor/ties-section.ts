import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import type { Load, Rig } from '@heliarch/core/rig';
import { Select } from '../../ui/select/select';
import { RigSession } from '../../storage/rig-session';
import { TieLine, type Tie } from './tie-line';

/** What starts with this load, what excludes it, and what drops it. */
@Component({
  selector: 'heli-ties-section',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, Select, TieLine],
  template: `
    @for (tie of ties(); track tie.index) {
      <heli-tie-line
        [tie]="tie"
        [others]="others()"
        (changed)="setTie(tie.index, $event)"
        (removed)="removeTie(tie.index)"
      />
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
      <heli-select
        label="Another load"
        [choices]="others()"
        [selected]="other()"
        (choose)="picked.set($event)"
      />
      <button type="button" nz-button [disabled]="others().length === 0" (click)="tieTo(other())">
        It starts with that one
      </button>
      <button type="button" nz-button [disabled]="others().length === 0" (click)="lockWith(other())">
        Only one of the two runs
      </button>
      <button type="button" nz-button [disabled]="others().length === 0" (click)="dropFor(other())">
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
    heli-select {
      width: 190px;
    }
  `,
})
export class TiesSection {
  private readonly session = inject(RigSession);
  readonly rig = input.required<Rig>();
  readonly load = input.required<Load>();

  protected readonly others = computed(() =>
    this.rig()
      .loads.filter(({ id }) => id !== this.load().id)
      .map(({ id, name }) => ({ id, label: name })),
  );
  protected readonly picked = signal('');
  /** Which other load is meant; the first until one is chosen, or the chosen one is gone. */
  protected readonly other = computed(() => {
    const ids = this.others().map(({ id }) => id);
    return ids.includes(this.picked()) ? this.picked() : (ids[0] ?? '');
  });
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
