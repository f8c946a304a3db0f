import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzSpinComponent } from 'ng-zorro-antd/spin';
import { explainLimit, plainText, VERDICT_WORDS, type Pair, type Verdict } from '@heliarch/core/check';
import { withFollowersOf, type Load } from '@heliarch/core/rig';
import { marginWords } from '@heliarch/core/explain';
import { AnswerState } from '../../parts/answer-state';
import { ChoiceBar, type Choice } from '../../ui/choice-bar';
import { LibraryStyles } from '../../ui/library/library-styles';
import { WaitingStyles } from '../../ui/library/waiting-styles';
import { UnitChoice } from '../../parts/unit-choice';
import { VerdictMark } from '../../parts/verdict-mark';
import { WhomState } from './whom-state';

interface Cell {
  readonly runs: string;
  /** Undefined where a load would run with itself. */
  readonly verdict: Verdict | undefined;
  readonly spoken: string;
}

interface Row {
  readonly load: Load;
  /** How many it does not surely start beside. */
  readonly conflicts: number;
  readonly cells: readonly Cell[];
}

type Filter = 'all' | 'conflicts' | 'trips';

const FILTERS: readonly Choice<Filter>[] = [
  { id: 'all', label: 'All loads' },
  { id: 'conflicts', label: 'In conflict' },
  { id: 'trips', label: 'What trips' },
];

/** Whose pairs leave a load in view. */
const COUNTS: Record<Exclude<Filter, 'all'>, (verdict: Verdict) => boolean> = {
  conflicts: (verdict) => verdict !== 'holds',
  trips: (verdict) => verdict === 'trips' || verdict === 'likely-trips',
};

const isAbout = ({ starts, runs }: Pair, id: string): boolean => starts === id || runs === id;

/** Each load that starts while each other one runs; the rows that trip come first. */
@Component({
  selector: 'heli-pair-matrix',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AnswerState, ChoiceBar, NzButtonComponent, NzSpinComponent, VerdictMark],
  templateUrl: './pair-matrix.html',
  styleUrl: './pair-matrix.css',
})
export class PairMatrix {
  private readonly numberStyle = inject(UnitChoice).numbers;
  protected readonly state = inject(WhomState);
  protected readonly pair = this.state.pair;
  readonly taken = output();
  protected readonly filters = FILTERS;
  protected readonly shows = signal<Filter>('all');

  constructor() {
    inject(LibraryStyles).bring(WaitingStyles);
  }

  protected readonly matrix = computed(() => {
    const given = this.state.pairs();
    if (!given) return undefined;
    const { pairs } = given.value;
    const shows = this.shows();
    const loads = given.value.loads.filter(
      ({ id }) => shows === 'all' || pairs.some((pair) => isAbout(pair, id) && COUNTS[shows](pair.verdict)),
    );
    const byIds = new Map(pairs.map((pair) => [`${pair.starts} ${pair.runs}`, pair]));
    const rows = loads.map((load): Row => {
      const cells = loads.map(({ id, name }): Cell => {
        const pair = byIds.get(`${load.id} ${id}`);
        const spoken = pair ? `${load.name} starts while ${name} runs: ${VERDICT_WORDS[pair.verdict]}` : '';
        return { runs: id, verdict: pair?.verdict, spoken };
      });
      const conflicts = cells.filter(({ verdict }) => verdict && verdict !== 'holds').length;
      return { load, conflicts, cells };
    });
    const loud = rows.filter(({ conflicts }) => conflicts > 0).sort(byTrouble);
    const quiet = rows.filter(({ conflicts }) => conflicts === 0);
    const groups = [
      { isQuiet: false, rows: loud },
      { isQuiet: true, rows: quiet },
    ].filter((group) => group.rows.length > 0);
    return { loads, groups, byIds };
  });

  /** Both directions of the pair that is looked at. */
  protected readonly readOut = computed(() => {
    const asked = this.pair();
    const byIds = this.matrix()?.byIds;
    if (!asked || !byIds) return undefined;
    const found = [`${asked.starts} ${asked.runs}`, `${asked.runs} ${asked.starts}`].flatMap(
      (key) => byIds.get(key) ?? [],
    );
    return found.length === 0 ? undefined : found.map((pair) => this.words(pair));
  });

  protected readonly notHere = computed(() => {
    const given = this.state.pairs();
    const here = new Set(given?.value.loads.map(({ id }) => id));
    const missing = given?.about.rig.loads.filter(({ id }) => !here.has(id)) ?? [];
    return missing.map(({ name }) => name).join(', ');
  });

  /** Tab stops at one cell of all: the one that is looked at, else the first. */
  protected isStop(starts: string, runs: string): boolean {
    const asked = this.pair();
    if (asked) return asked.starts === starts && asked.runs === runs;
    const [first] = this.matrix()?.groups[0]?.rows ?? [];
    return first?.load.id === starts && first.cells.find(({ verdict }) => verdict)?.runs === runs;
  }

  protected key(event: KeyboardEvent): void {
    const step = STEPS[event.key];
    const cell = (event.target as Element).closest('td');
    if (!step || !(cell instanceof HTMLTableCellElement)) return;
    event.preventDefault();
    const rows = [...(cell.closest('table')?.querySelectorAll<HTMLTableRowElement>('tr:has(.cell)') ?? [])];
    let [x, y] = [cell.cellIndex, rows.findIndex((row) => row.contains(cell))];
    // The diagonal is empty: one more step.
    for (let tries = 0; tries < 2; tries += 1) {
      [x, y] = [x + step.x, y + step.y];
      const button = rows[y]?.cells[x]?.querySelector<HTMLElement>('.cell');
      if (button) {
        button.focus();
        return;
      }
    }
  }

  protected take(): void {
    const asked = this.pair();
    if (!asked) return;
    this.state.together.tickOnly(withFollowersOf(this.state.together.rig(), [asked.runs, asked.starts]));
    this.taken.emit();
  }

  private words({ starts, runs, verdict, limit, keptApart }: Pair) {
    const rig = this.state.pairs()?.about.rig;
    const name = (id: string): string => rig?.loads.find((load) => load.id === id)?.name ?? '';
    const why = keptApart ?? (rig && limit ? plainText(explainLimit(this.numberStyle, rig, limit)) : '');
    const margin = limit ? marginWords(this.numberStyle, limit) : '';
    return { starts: name(starts), runs: name(runs), verdict, word: VERDICT_WORDS[verdict], margin, why };
  }
}

/** What trips counts before what is tight. */
function byTrouble(a: Row, b: Row): number {
  const trips = ({ cells }: Row): number => cells.filter(({ verdict }) => verdict === 'trips').length;
  return trips(b) - trips(a) || b.conflicts - a.conflicts;
}

const STEPS: Readonly<Record<string, { readonly x: number; readonly y: number }>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};
