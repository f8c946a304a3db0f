import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { formatNumber, SECONDS_PER_MINUTE } from '@heliarch/core/units';
import { loadOf, wattsCounted } from '@heliarch/core/rig';
import { usualRunS } from '@heliarch/core/now';
import { ChoiceBar, type Choice } from '../ui/choice-bar';
import { Checkbox } from '../ui/checkbox';
import { UnitChoice } from '../parts/unit-choice';
import { NowState, type Offered } from './now-state';

/** Times that are offered where a load says nothing of its own. */
const USUAL_MINUTES = [3, 10, 30];

/** What is on by one's own ticks, in which state and since when; beneath it what else can be ticked. */
@Component({
  selector: 'heli-on-now',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ChoiceBar, Checkbox],
  templateUrl: './on-now.html',
  styleUrl: './on-now.css',
})
export class OnNow {
  protected readonly state = inject(NowState);
  private readonly units = inject(UnitChoice);
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly showsOthers = signal(false);

  protected readonly rows = computed(() => {
    const { on, timers } = this.state.at();
    return on.map(({ load: id, state, sinceS }) => {
      const load = loadOf(this.state.rig(), id);
      return {
        load,
        state: load.states?.find((each) => each.id === state),
        since: this.state.clock(sinceS),
        watts: this.number(wattsCounted(this.state.rig(), load, state)),
        isTimed: timers.some((timer) => timer.load === id),
        minutes: this.minutesFor(id),
        states: (load.states ?? []).map((each): Choice => ({ id: each.id, label: each.name })),
      };
    });
  });

  /** Sets to begin from: those that are kept with the rig. */
  protected readonly scenes = computed(() => this.state.rig().scenes.filter(({ on }) => on.length > 0));

  protected number(value: number): string {
    return formatNumber(this.units.numbers, value, 0);
  }

  protected toggle(loadId: string): void {
    this.open.update((open) => (open === loadId ? undefined : loadId));
  }

  protected switchOn(offered: Offered): void {
    this.state.switchOn(offered);
  }

  protected beginFrom(sceneId: string): void {
    const scene = this.scenes().find(({ id }) => id === sceneId);
    if (!scene) return;
    this.state.tickOnly(scene.on, `ticked as in ${scene.name}`);
    this.state.chooseSupply(scene.supply);
  }

  protected time(loadId: string, minutes: number | undefined): void {
    this.state.time(loadId, minutes === undefined ? undefined : minutes * SECONDS_PER_MINUTE);
    this.open.set(undefined);
  }

  private minutesFor(loadId: string): readonly number[] {
    const usual = usualRunS(this.state.rig(), loadId);
    return usual === undefined ? USUAL_MINUTES : [...new Set([usual / SECONDS_PER_MINUTE, ...USUAL_MINUTES])];
  }
}
