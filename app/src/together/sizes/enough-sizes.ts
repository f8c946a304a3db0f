import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Subject } from 'rxjs';
import { explainLimit, type Limit, limitLabel, plainText } from '@heliarch/core/check';
import { PERCENT } from '@heliarch/core/units';
import type { Scene } from '@heliarch/core/rig';
import { sizeWords, withoutScene, withSceneKept, type SizeWords } from '@heliarch/core/explain';
import { Answers } from '../../compute/answers';
import { latest, stoppable } from '../../compute/latest';
import { AnswerState } from '../../parts/answer-state';
import { ChoiceBar, type Choice } from '../../ui/choice-bar';
import { keepTogether } from '../../ui/keep-together';
import { NamedTable } from '../../ui/library/named-table';
import { LongWork } from '../../parts/long-work';
import { Checkbox } from '../../ui/checkbox';
import { UnitChoice } from '../../parts/unit-choice';
import { TogetherState } from '../together-state';

const GROWTHS: readonly Choice[] = [
  { id: '0', label: 'No margin' },
  { id: '0.1', label: '10 %' },
  { id: '0.25', label: '25 %' },
  { id: '0.5', label: '50 %' },
];
const USUAL_GROWTH = '0.25';
const RULE_AT = 75;

interface Wish {
  readonly scene: Scene;
  readonly isNow: boolean;
  readonly isWished: boolean;
  readonly loads: string;
  readonly supply: string;
}

/** Which sizes are enough for what must run together, with a margin to grow. */
@Component({
  selector: 'heli-enough-sizes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, ChoiceBar, LongWork, NamedTable, NzTableModule, Checkbox],
  templateUrl: './enough-sizes.html',
  styleUrl: './enough-sizes.css',
})
export class EnoughSizes {
  private readonly numberStyle = inject(UnitChoice).numbers;
  private readonly answers = inject(Answers);
  protected readonly state = inject(TogetherState);
  protected readonly growths = GROWTHS;
  protected readonly growth = signal(USUAL_GROWTH);
  private readonly left = signal<readonly string[]>([]);
  private readonly attempt = signal(0);
  protected readonly stops = new Subject<void>();

  /** The set that is on, and every one that was kept. */
  protected readonly wishes = computed(() => {
    const { loads, scenes, supplies } = this.state.rig();
    const named = (list: readonly { readonly id: string; readonly name: string }[], id: string): string =>
      list.find((each) => each.id === id)?.name ?? id;
    return scenes.map((scene, index): Wish => ({
      scene,
      isNow: index === 0,
      isWished: !this.left().includes(scene.id) && scene.on.length > 0,
      loads: scene.on.map(({ load }) => named(loads, load)).join(', '),
      supply: named(supplies, scene.supply),
    }));
  });

  private readonly question = computed(() => {
    this.attempt();
    const wishes = this.wishes().filter(({ isWished }) => isWished);
    return {
      rig: this.state.rig(),
      wishes: wishes.map(({ scene }) => scene),
      growth: Number(this.growth()),
    };
  });
  protected readonly asked = toSignal(
    latest(toObservable(this.question), ({ rig, wishes, growth }) =>
      stoppable(this.answers.ask('search', rig, 'enoughSizes', wishes, growth), this.stops),
    ),
  );
  protected readonly given = computed(() => this.asked()?.given);
  protected readonly rows = computed((): readonly SizeWords[] =>
    (this.given()?.value.sizes ?? []).map((size) => sizeWords(this.numberStyle, size)),
  );
  protected readonly short = computed(() => this.rows().filter(({ isEnough }) => isEnough === false).length);
  protected readonly beyond = computed(() => {
    const given = this.given();
    return given?.value.beyond.map((limit) => this.words(limit)) ?? [];
  });
  protected readonly notFed = computed(() => {
    const given = this.given();
    const ids = given?.value.notFed ?? [];
    return given?.about.rig.loads
      .filter(({ id }) => ids.includes(id))
      .map(({ name }) => name)
      .join(', ');
  });

  /** Where the rule of what there is stands, and where what is beyond it is cut off. */
  protected bar(share: number): number {
    return Math.min(PERCENT, share * RULE_AT);
  }

  private words(limit: Limit) {
    const rig = this.state.rig();
    return {
      id: limit.id,
      what: limitLabel(this.numberStyle, rig, limit),
      why: keepTogether(plainText(explainLimit(this.numberStyle, rig, limit))),
    };
  }

  protected wishFor(id: string, isWished: boolean): void {
    this.left.update((left) => (isWished ? left.filter((each) => each !== id) : [...left, id]));
  }

  protected keep(): void {
    const { id, on } = this.state.scene();
    const { loads } = this.state.rig();
    const [first, ...others] = on.flatMap(({ load }) => loads.find((each) => each.id === load)?.name ?? []);
    const name = others.length === 0 ? (first ?? 'Set') : `${first} and ${others.length} more`;
    this.state.keepScenes((rig) => withSceneKept(rig, id, name), 'keep a set');
  }

  protected forget(id: string): void {
    this.state.keepScenes((rig) => withoutScene(rig, id), 'let go of a set');
  }

  protected askAgain(): void {
    this.attempt.update((attempt) => attempt + 1);
  }
}
