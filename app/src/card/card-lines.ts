import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { loadOf } from '@heliarch/core/rig';
import {
  itemsOff,
  lineWords,
  withItemIn,
  withoutTogether,
  withTogether,
  type CardItem,
  type CardPlace,
} from '@heliarch/core/card';
import { Select } from '../ui/select/select';
import type { Choice } from '../ui/choice-bar';
import { VerdictMark } from '../parts/verdict-mark';
import { CardState } from './card-state';

const PLACES: readonly Choice<CardPlace>[] = [
  { id: 'always', label: 'Always fine' },
  { id: 'oneAtATime', label: 'One at a time' },
  { id: 'never', label: 'Never here' },
  { id: 'off', label: 'Not on the card' },
];

/** The lines of a card with their proofs, and where each load stands: changed by hand, proved again at once. */
@Component({
  selector: 'heli-card-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Select, VerdictMark],
  templateUrl: './card-lines.html',
  styleUrl: './card-lines.css',
})
export class CardLines {
  protected readonly state = inject(CardState);
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly isEditing = signal(false);
  /** What a new line would say together. */
  protected readonly pair = signal<readonly [string, string]>(['', '']);
  protected readonly places = PLACES;

  protected readonly rows = computed(() =>
    this.state.lines().map(({ line, proof }) => ({
      id: line.id,
      words: lineWords(this.state.rig(), line),
      isTold: line.kind !== 'never',
      mark:
        proof === undefined
          ? undefined
          : proof.isProved
            ? ('holds' as const)
            : proof.verdict === 'holds'
              ? ('tight' as const)
              : proof.verdict,
      proof,
      /** Which of the lines that say what may be on together. */
      together: line.kind === 'together' ? (this.state.plan()?.together.indexOf(line.slots) ?? -1) : -1,
    })),
  );

  protected readonly items = computed(() => {
    const plan = this.state.plan();
    if (!plan) return [];
    const rig = this.state.rig();
    const placed = (place: CardPlace, items: readonly CardItem[]) =>
      items.map((item) => ({ item, place, name: loadOf(rig, item.load).name }));
    return [
      ...placed('always', plan.always),
      ...placed('oneAtATime', plan.oneAtATime),
      ...placed('never', plan.never),
      ...placed('off', itemsOff(rig, plan)),
    ];
  });
  protected readonly choices = computed(() =>
    (this.state.plan()?.oneAtATime ?? []).map(({ load }): Choice => ({
      id: load,
      label: loadOf(this.state.rig(), load).name,
    })),
  );

  protected toggle(id: string): void {
    this.open.update((open) => (open === id ? undefined : id));
  }

  protected move(item: CardItem, place: CardPlace): void {
    this.state.change((plan) => withItemIn(plan, item, place));
  }

  protected drop(index: number): void {
    this.state.change((plan) => withoutTogether(plan, index));
  }

  protected choosePair(place: 0 | 1, load: string): void {
    this.pair.update(([first, second]) => (place === 0 ? [load, second] : [first, load]));
  }

  protected addPair(): void {
    const [first, second] = this.pair();
    if (first === '' || second === '' || first === second) return;
    this.state.change((plan) => withTogether(plan, [[{ load: first }], [{ load: second }]]));
    this.pair.set(['', '']);
  }
}
