import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { NzTagComponent } from 'ng-zorro-antd/tag';
import { theLoad, VERDICT_WORDS, type Combination, type Rig, type Verdict } from '@heliarch/core';
import { shortMargin } from '@heliarch/core/explaining';
import { AnswerState } from '../../components/answer-state';
import { LibraryStyles } from '../../components/library/library-styles';
import { TagStyles } from '../../components/library/tag-styles';
import { NothingHere } from '../../components/nothing-here';
import { Select } from '../../components/select/select';
import { Tick } from '../../components/tick';
import { UnitChoice } from '../../components/unit-choice';
import { VerdictMark } from '../../components/verdict-mark';
import { WhomState } from './whom-state';

const FIRST_SHOWN = 12;
const PERCENT = 100;
/** Where the limit stands in the small bars; what is over crosses it. */
const LIMIT_AT = 80;

interface Shown {
  readonly key: string;
  readonly ids: readonly string[];
  readonly count: number;
  readonly loads: readonly { readonly id: string; readonly name: string; readonly isPinned: boolean }[];
  readonly spoken: string;
  readonly why: string;
  readonly spare: string;
  readonly running: number;
  readonly start: number;
  readonly verdict: Verdict;
  readonly word: string;
  readonly isOn: boolean;
}

/** Sets to which nothing can be added, the largest first. */
@Component({
  selector: 'heli-combination-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, NothingHere, NzTagComponent, Select, Tick, VerdictMark],
  templateUrl: './combination-list.html',
  styleUrl: './combination-list.css',
})
export class CombinationList {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(WhomState);
  readonly taken = output();
  protected readonly most = signal(FIRST_SHOWN);

  constructor() {
    inject(LibraryStyles).bring(TagStyles);
  }

  private readonly rig = this.state.together.rig;
  protected readonly included = computed(() => {
    const ids = this.state.mustInclude();
    return this.rig().loads.filter(({ id }) => ids.includes(id));
  });
  protected readonly choices = computed(() => {
    const ids = this.state.mustInclude();
    return this.rig()
      .loads.filter(({ id }) => !ids.includes(id))
      .map(({ id, name }) => ({ id, label: name }));
  });

  protected readonly extent = computed(() => {
    const given = this.state.combinations();
    if (!given) return '';
    const { found, of, extent } = given;
    if (extent === 'so-far') return `${found.length} so far`;
    if (extent === 'best') return `the ${found.length} largest of ${of} loads; there are more`;
    return `${found.length} in all; nothing can be added to any of them`;
  });

  protected readonly shown = computed((): readonly Shown[] => {
    const rig = this.rig();
    const on = new Set(this.state.together.scene().on.map(({ load }) => load));
    return (this.state.combinations()?.found ?? [])
      .slice(0, this.most())
      .map((set) => this.shownOf(rig, set, on));
  });

  /** What is in every one of them is said once. */
  private readonly common = computed((): ReadonlySet<string> => {
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
    const names = this.included().map(({ name }) => theLoad(name));
    return names.length === 0
      ? 'No load holds on this supply, not even alone.'
      : `Nothing holds with ${names.join(' and ')} on this supply${this.state.showsTight() ? '' : ': see what is tight, or another supply'}.`;
  });

  private names(isMeant: (id: string) => boolean): string {
    return this.rig()
      .loads.filter(({ id }) => isMeant(id))
      .map(({ name }) => name)
      .join(', ');
  }

  protected take({ ids }: Shown): void {
    this.state.together.tickOnly(ids);
    this.taken.emit();
  }

  private shownOf(rig: Rig, set: Combination, on: ReadonlySet<string>): Shown {
    const pinned = new Set(this.state.mustInclude());
    const loads = set.loads
      .filter((id) => !this.common().has(id))
      .map((id) => ({
        id,
        name: rig.loads.find((load) => load.id === id)?.name ?? id,
        isPinned: pinned.has(id),
      }))
      .sort((a, b) => Number(b.isPinned) - Number(a.isPinned));
    const bar = (share: number): number => Math.min(PERCENT, share * LIMIT_AT);
    return {
      key: set.loads.join(' '),
      ids: set.loads,
      count: set.loads.length,
      loads,
      spoken: loads.map(({ name }) => name).join(', '),
      why: [
        ...(set.notLast.length > 0 ? ['In this order only.'] : []),
        set.decider ? (set.decider.start ? 'A start decides.' : 'What runs decides.') : '',
      ].join(' '),
      spare: set.decider ? shortMargin(this.numberStyle, set.decider) : '',
      running: bar(set.runningShare),
      start: bar(set.startShare),
      verdict: set.verdict,
      word: VERDICT_WORDS[set.verdict],
      isOn: on.size === set.loads.length && set.loads.every((id) => on.has(id)),
    };
  }
}
