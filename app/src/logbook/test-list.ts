import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { TEST_KINDS, type LogTest, type TestKind } from '@heliarch/core/logbook';
import { NzInputDirective } from 'ng-zorro-antd/input';
import { Select } from '../ui/select/select';
import { isOver } from './kept-tests';
import { LogState } from './log-state';
import { KINDS } from './test-kinds';

/** All tests: those that run first, then by their dates, with a filter and a search. */
@Component({
  selector: 'heli-test-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputDirective, ReactiveFormsModule, Select],
  templateUrl: './test-list.html',
  styleUrl: './test-list.css',
})
export class TestList {
  protected readonly state = inject(LogState);
  protected readonly search = new FormControl('', { nonNullable: true });
  protected readonly kinds = [
    { id: 'all' as const, label: 'All kinds' },
    ...TEST_KINDS.map((id) => ({ id, label: KINDS[id].name })),
  ];
  protected readonly groups = computed(() => {
    const listed = this.state.listed();
    return [
      { name: 'Running', tests: listed.filter((test) => !isOver(test)) },
      { name: 'Ended', tests: listed.filter(isOver) },
    ].filter(({ tests }) => tests.length > 0);
  });

  constructor() {
    this.search.valueChanges.pipe(takeUntilDestroyed()).subscribe((words) => this.state.search.set(words));
  }

  protected kindName(kind: TestKind): string {
    return KINDS[kind].name;
  }

  protected standing(test: LogTest): string {
    const { readings, trace, uses, endedBecause } = test;
    const count = readings.length + (trace?.atS.length ?? 0);
    if (!isOver(test)) return `running, ${count} readings`;
    if (uses.length > 0) return 'used in the rig';
    return endedBecause ?? 'ended, not used';
  }
}
