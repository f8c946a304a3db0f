import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { theLoad } from '@heliarch/core/rig';
import type { Combination } from '@heliarch/core/check';
import { AnswerState } from '../../parts/answer-state';
import { LongWork } from '../../parts/long-work';
import { NothingHere } from '../../ui/nothing-here';
import { CombinationFilters } from './combination-filters';
import { CombinationRow } from './combination-row';
import { OneChangeAwayList } from './one-change-away-list';
import { WhomState } from './whom-state';

const FIRST_SHOWN = 12;

/** Sets to which nothing can be added, as they are ranked. */
@Component({
  selector: 'heli-combination-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, CombinationFilters, CombinationRow, LongWork, NothingHere, OneChangeAwayList],
  templateUrl: './combination-list.html',
  styleUrl: './combination-list.css',
})
export class CombinationList {
  protected readonly state = inject(WhomState);
  readonly taken = output();
  protected readonly most = signal(FIRST_SHOWN);
  private readonly rig = this.state.together.rig;

  protected readonly extent = computed(() => {
    const given = this.state.combinations();
    if (!given) return '';
    const { found, of, extent } = given;
    if (extent === 'so-far') return `${found.length} so far`;
    if (extent === 'best') return `${bestBy(this.state.rank(), found.length)} of ${of} loads; there are more`;
    return `${found.length} in all; nothing can be added to any of them`;
  });

  protected readonly shown = computed(() => (this.state.combinations()?.found ?? []).slice(0, this.most()));
  protected readonly keyOf = ({ loads }: Combination): string => loads.join(' ');

  /** What is in every one of them is said once. */
  protected readonly common = computed((): ReadonlySet<string> => {
    const [first, ...others] = this.state.combinations()?.found ?? [];
    const pinned = new Set(this.state.mustInclude());
    const ids = others.length === 0 ? [] : (first?.loads ?? []);
    return new Set(ids.filter((id) => !pinned.has(id) && others.every(({ loads }) => loads.includes(id))));
  });
  protected readonly inAll = computed(() => this.names((id) => this.common().has(id)));
  protected readonly leftOut = computed(() => {
    const ids = this.state.combinations()?.leftOut ?? [];
    return this.names((id) => ids.includes(id));
  });

  protected readonly nothing = computed(() => {
    const ids = this.state.mustInclude();
    const names = this.rig().loads.flatMap(({ id, name }) => (ids.includes(id) ? [theLoad(name)] : []));
    return names.length === 0
      ? 'Nothing holds on this supply: it is too weak for what charges, or for any of these loads.'
      : `Nothing holds with ${names.join(' and ')} on this supply${this.state.showsTight() ? '' : ': see what is tight, or one change away'}.`;
  });

  private names(isMeant: (id: string) => boolean): string {
    return this.rig()
      .loads.filter(({ id }) => isMeant(id))
      .map(({ name }) => name)
      .join(', ');
  }

  protected take({ loads }: Combination): void {
    this.state.together.tickOnly(loads);
    this.taken.emit();
  }
}

function bestBy(rank: string, count: number): string {
  if (rank === 'importance') return `the ${count} most important`;
  return rank === 'spare' ? `the ${count} largest, by what is to spare,` : `the ${count} largest`;
}
