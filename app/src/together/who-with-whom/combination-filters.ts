import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NzTagComponent } from 'ng-zorro-antd/tag';
import type { CombinationRank } from '@heliarch/core/check';
import type { Choice } from '../../ui/choice-bar';
import { LibraryStyles } from '../../ui/library/library-styles';
import { TagStyles } from '../../ui/library/tag-styles';
import { Select } from '../../ui/select/select';
import { Checkbox } from '../../ui/checkbox';
import { WhomState, type OrderAsked } from './whom-state';

const ORDERS: readonly Choice<OrderAsked>[] = [
  { id: 'best', label: 'In some order' },
  { id: 'any', label: 'In any order' },
];

const RANKS: readonly Choice<CombinationRank>[] = [
  { id: 'number', label: 'Most loads first' },
  { id: 'importance', label: 'Most important first' },
  { id: 'spare', label: 'Most to spare first' },
];

/** Which combinations are asked for, and which come first. */
@Component({
  selector: 'heli-combination-filters',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzTagComponent, Select, Checkbox],
  template: `
    @for (group of groups(); track group.word) {
      <div class="line">
        <span class="caption">{{ group.word }}</span>
        @for (load of group.loads; track load.id) {
          <nz-tag nzMode="closeable" (nzOnClose)="state.leaveOpen(load.id)">{{ load.name }}</nz-tag>
        }
        <heli-select
          [label]="group.label"
          placeholder="Add a load"
          selected=""
          [choices]="choices()"
          (choose)="group.add($event)"
        />
      </div>
    }
    <div class="line">
      <heli-select
        label="Circuit whose loads are asked about"
        [selected]="state.circuit() || allCircuits"
        [choices]="circuits()"
        (choose)="state.circuit.set($event === allCircuits ? '' : $event)"
      />
      <heli-select
        label="In which order a combination must hold"
        [selected]="state.startOrder()"
        [choices]="orders"
        (choose)="state.startOrder.set($event)"
      />
      <heli-select
        label="Which combinations come first"
        [selected]="state.rank()"
        [choices]="ranks"
        (choose)="state.rank.set($event)"
      />
      <heli-checkbox boxId="shows-tight" [isOn]="state.showsTight()" (ticked)="state.showsTight.set($event)">
        Show tight
      </heli-checkbox>
    </div>
  `,
  styles: `
    .line {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 10px;
      padding: 3px 0;
    }
    .caption {
      min-width: 76px;
    }
    heli-select {
      width: 150px;
    }
    heli-checkbox {
      margin-left: auto;
    }
  `,
})
export class CombinationFilters {
  protected readonly state = inject(WhomState);
  protected readonly orders = ORDERS;
  protected readonly ranks = RANKS;
  /** A select takes an empty choice for none. */
  protected readonly allCircuits = 'all of them';

  constructor() {
    inject(LibraryStyles).bring(TagStyles);
  }

  private readonly rig = this.state.together.rig;
  private loadsOf(ids: readonly string[]) {
    return this.rig().loads.filter(({ id }) => ids.includes(id));
  }

  protected readonly groups = computed(() => [
    {
      word: 'Must include',
      label: 'A load that every combination must have',
      loads: this.loadsOf(this.state.mustInclude()),
      add: (id: string) => this.state.include(id),
    },
    {
      word: 'Without',
      label: 'A load that no combination may have',
      loads: this.loadsOf(this.state.mustNot()),
      add: (id: string) => this.state.exclude(id),
    },
  ]);

  protected readonly choices = computed(() => {
    const taken = [...this.state.mustInclude(), ...this.state.mustNot()];
    return this.rig()
      .loads.filter(({ id }) => !taken.includes(id))
      .map(({ id, name }) => ({ id, label: name }));
  });
  protected readonly circuits = computed((): readonly Choice[] => [
    { id: this.allCircuits, label: 'All circuits' },
    ...this.rig().circuits.map(({ id, name }) => ({ id, label: `Only ${name}` })),
  ]);
}
