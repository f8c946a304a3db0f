import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MS_PER_SECOND } from '@heliarch/core/units';
import { newTest, withConditions, TEST_KINDS, type LogTest, type TestKind } from '@heliarch/core/logbook';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { FieldStyles } from '../ui/library/field-styles';
import { LibraryStyles } from '../ui/library/library-styles';
import { Select } from '../ui/select/select';
import { LogState, secondsNow } from './log-state';
import { KINDS } from './test-kinds';

/** What a test is begun with: a kind is enough, and all else can be said later. */
@Component({
  selector: 'heli-new-test',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzButtonComponent, NzInputDirective, ReactiveFormsModule, Select],
  templateUrl: './new-test.html',
  styleUrl: './new-test.css',
})
export class NewTest {
  private readonly state = inject(LogState);
  readonly begun = output<LogTest>();
  readonly left = output();

  protected readonly kind = signal<TestKind>('run-down');
  protected readonly load = signal('');
  protected readonly supply = signal('');
  protected readonly part = signal('');
  protected readonly stateOfLoad = signal('');
  protected readonly question = new FormControl('', { nonNullable: true });
  protected readonly wanted = new FormControl('', { nonNullable: true });
  protected readonly disconnected = new FormControl('', { nonNullable: true });
  protected readonly problem = signal<string | undefined>(undefined);

  protected readonly kinds = TEST_KINDS.filter((id) => id !== 'trip').map((id) => ({
    id,
    label: KINDS[id].name,
  }));
  protected readonly facts = computed(() => KINDS[this.kind()]);
  protected readonly loads = computed(() =>
    this.state.rig().loads.map(({ id, name }) => ({ id, label: name })),
  );
  private readonly chosen = computed(() => this.state.rig().loads.find(({ id }) => id === this.load()));
  /** Parts of a load that has several: what is measured is put down to one of them. */
  protected readonly parts = computed(() => {
    const parts = this.chosen()?.parts ?? [];
    return parts.length > 1 ? parts.map(({ id, name }) => ({ id, label: name ?? id })) : [];
  });
  /** Levels and modes: at a low one it draws less than its full power. */
  protected readonly states = computed(() =>
    (this.chosen()?.states ?? []).map(({ id, name }) => ({ id, label: name })),
  );
  protected readonly supplies = computed(() =>
    this.state.rig().supplies.map(({ id, name }) => ({ id, label: name })),
  );

  constructor() {
    inject(LibraryStyles).bring(FieldStyles);
    this.supply.set(this.state.rig().supplies[0]?.id ?? '');
  }

  protected chooseLoad(id: string): void {
    this.load.set(id);
    this.part.set(this.parts().at(-1)?.id ?? '');
    this.stateOfLoad.set('');
  }

  protected begin(): void {
    const { needsLoad, needsSupply } = this.facts();
    if (needsLoad && this.load() === '') {
      this.problem.set('Choose the load that it is of.');
      return;
    }
    const wanted = new Date(this.wanted.value).getTime() / MS_PER_SECOND;
    const test = newTest({
      id: crypto.randomUUID(),
      kind: this.kind(),
      question: this.question.value.trim() || this.usualQuestion(),
      begunAtS: secondsNow(),
      ...(needsLoad && {
        load: this.load(),
        part: this.part() || undefined,
        state: this.stateOfLoad() || undefined,
      }),
      ...(needsSupply && { supply: this.supply() }),
      ...(Number.isFinite(wanted) && { wantedAtS: wanted }),
    });
    const disconnected = this.disconnected.value.trim();
    this.begun.emit(disconnected === '' ? test : withConditions(test, { disconnected }));
  }

  private usualQuestion(): string {
    const name = (list: readonly { readonly id: string; readonly label: string }[], id: string): string =>
      list.find((each) => each.id === id)?.label ?? '';
    const { needsLoad, answers } = this.facts();
    return `${needsLoad ? name(this.loads(), this.load()) : name(this.supplies(), this.supply())}: ${answers}`;
  }
}
