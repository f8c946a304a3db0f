import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import {
  check,
  contradictionsOf,
  explain,
  kindOfPart,
  outlooksOf,
  outlookWords,
  verdictPhrase,
  wireTablesOf,
  type Load,
} from '@heliarch/core';
import { FieldGroup } from '../../ui/fields/field-group';
import { FieldHelpLine } from '../../ui/fields/field-help';
import { FieldRow } from '../../ui/fields/field-row';
import { NotKeptYet } from '../../ui/fields/not-kept-yet';
import { SheetContext } from '../../ui/fields/sheet-context';
import { VerdictMark } from '../../ui/verdict-mark';
import { LoadsState } from '../loads-state';
import { KickBand } from './kick-band';
import { RunningBand } from './running-band';
import { StagesPlot } from './stages-plot';
import { StatesBand } from './states-band';
import { TiesBand } from './ties-band';

/** Everything about one load, in bands as on an instrument plate. */
@Component({
  selector: 'heli-load-plate',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FieldGroup,
    FieldHelpLine,
    FieldRow,
    KickBand,
    NotKeptYet,
    RunningBand,
    StagesPlot,
    StatesBand,
    TiesBand,
    VerdictMark,
  ],
  providers: [SheetContext],
  templateUrl: './load-plate.html',
  styleUrl: './load-plate.css',
})
export class LoadPlate {
  protected readonly state = inject(LoadsState);
  protected readonly sheet = inject(SheetContext);
  readonly load = input.required<Load>();

  protected readonly subtitle = computed(() =>
    [...new Set(this.load().parts.map(({ kind }) => kindOfPart(kind).name))].join(', with a '),
  );

  /** Started alone on the supply of the set, and what it means for the set itself. */
  protected readonly alone = computed(() => {
    const rig = this.state.rig();
    const scene = rig.scenes[0];
    if (!scene) return undefined;
    const result = check(rig, { supply: scene.supply, on: [{ load: this.load().id }] });
    const words = explain(rig, result);
    const supply = rig.supplies.find(({ id }) => id === scene.supply)?.name ?? '';
    const [notFed] = result.notFed;
    return {
      verdict: result.verdict,
      supply,
      isFed: notFed === undefined,
      words: notFed ? `Not on this supply: ${notFed.because}.` : `${verdictPhrase(words)}. ${words.action}`,
    };
  });

  protected readonly inSet = computed(() => {
    const rig = this.state.rig();
    const scene = rig.scenes[0];
    const load = this.load();
    if (!scene) return '';
    if (scene.on.some((on) => on.load === load.id)) return 'It is on in your set.';
    const outlook = outlooksOf(rig, scene).get(load.id);
    return outlook ? `On top of your set: ${outlookWords(rig, load, outlook)}.` : '';
  });

  /** What contradicts what in this load, as typed. */
  protected readonly slips = computed(() => {
    const rig = this.sheet.sound();
    const at = `loads[${rig.loads.findIndex(({ id }) => id === this.load().id)}]`;
    return contradictionsOf(rig, wireTablesOf(rig)).filter(({ path }) => path.startsWith(at));
  });

  constructor() {
    effect(() => this.sheet.target.set({ list: 'loads', id: this.load().id }));
  }
}
