import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { formatAmount, formatNumber, MS_PER_SECOND } from '@heliarch/core/units';
import { SCENARIOS, STALE_AFTER_S, type Instrument, type ScenarioId } from '@heliarch/core/instruments';
import { testOfStartSeen } from '@heliarch/core/logbook';
import { Plot } from '../../ui/plot/plot';
import type { PlotDrawn } from '../../ui/plot/plot-drawn';
import { UnitChoice } from '../../parts/unit-choice';
import { LogEntries } from '../../storage/log-entries';
import { NowState } from '../now-state';
import { FeedRecorder } from './feed-recorder';
import { Instruments } from './instruments';

const NAMES: Readonly<Record<ScenarioId, string>> = {
  'quiet-evening': 'Quiet evening',
  'compressor-kicks-in': 'Compressor kicks in',
  'shore-lost': 'Shore lost',
  'meter-stuck': 'Meter stuck',
};
const PLACES: readonly { readonly id: Instrument; readonly name: string }[] = [
  { id: 'battery', name: 'Battery' },
  { id: 'output', name: 'Inverter' },
  { id: 'inlet', name: 'Inlet' },
];
const PLOT_PX = 130;
/** The meter line is worked out anew so often, not at every reading. */
const METER_EVERY_S = 5;

/** Instruments, simulated by the server or replayed from a file: what they show, how fresh it is, and the last two minutes. */
@Component({
  selector: 'heli-instruments-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Plot],
  providers: [FeedRecorder],
  templateUrl: './instruments-panel.html',
  styleUrl: './instruments-panel.css',
})
export class InstrumentsPanel {
  protected readonly feed = inject(Instruments);
  protected readonly recorder = inject(FeedRecorder);
  private readonly state = inject(NowState);
  private readonly entries = inject(LogEntries);
  private readonly units = inject(UnitChoice);

  protected readonly isOpen = signal(false);
  protected readonly problem = signal<string | undefined>(undefined);
  protected readonly followed = signal(false);
  protected readonly scenarios = SCENARIOS.map((id) => ({ id, name: NAMES[id] }));
  protected readonly named = computed(() => {
    const { scenario, rig } = this.feed.header() ?? {};
    const known = SCENARIOS.find((id) => id === scenario);
    return [rig, known ? NAMES[known] : scenario].filter(Boolean).join(', ');
  });

  protected readonly standsWords = computed(() => {
    const stands = this.feed.stands();
    switch (stands.state) {
      case 'off':
        return '';
      case 'connecting':
        return 'Connecting …';
      case 'live':
        return 'Live';
      case 'replayed':
        return 'Replayed from a file';
      case 'ended':
        return 'The file has ended';
      case 'lost': {
        const left = Math.max(0, Math.ceil(stands.retryAtMs / MS_PER_SECOND - this.state.nowS()));
        return `No connection. Tried again in ${left} s; your ticks go on.`;
      }
    }
  });

  protected readonly meters = computed(() => {
    const sample = this.feed.samples().at(-1);
    const isLost = this.feed.stands().state === 'lost';
    return PLACES.flatMap(({ id, name }) => {
      const meter = sample?.[id];
      if (!sample || !meter) return [];
      const age = sample.atS - meter.atS;
      return [
        {
          id,
          name,
          watts: `${formatNumber(this.units.numbers, meter.watts, 0)} W`,
          volts: `${formatNumber(this.units.numbers, meter.volts, 1)} V`,
          amps: `${formatNumber(this.units.numbers, meter.amps, 1)} A`,
          percent: id === 'battery' ? `${sample.battery?.percent ?? 0} %` : '',
          isStale: isLost || age > STALE_AFTER_S,
          stale: isLost ? 'not fresh' : `stands still for ${age} s`,
        },
      ];
    });
  });

  protected readonly seen = computed(() => {
    const start = this.feed.start();
    if (!start) return undefined;
    const amount = (value: number, unit: string): string => formatAmount(this.units.numbers, value, unit);
    return `A start at ${this.state.clock(start.atS)}: ${amount(start.startVA, 'VA')}, then ${amount(start.runningW, 'W')} more.`;
  });

  protected readonly drawn = computed((): PlotDrawn | undefined => {
    const samples = this.feed.samples();
    const last = samples.at(-1);
    if (!last || samples.length < 2) return undefined;
    const line = (of: Instrument) =>
      samples.flatMap((sample) => {
        const meter = sample[of];
        return meter ? [{ x: sample.atS - last.atS, y: meter.watts }] : [];
      });
    const [output, battery] = [line('output'), line('battery')];
    return {
      spoken: `Watts of the last ${samples.length} readings: the inverter now ${last.output?.watts ?? 0}, the battery ${last.battery?.watts ?? 0}.`,
      height: PLOT_PX,
      x: {
        label: '',
        from: -120,
        to: 0,
        ticks: [-120, -60, 0],
        tickWords: (value) => (value === 0 ? 'now' : `${value} s`),
      },
      y: { label: 'W', from: 0 },
      lines: [
        { look: 'area', points: output },
        { look: 'light-line', points: battery },
      ],
      table: {
        heads: ['Seconds ago', 'Inverter, W', 'Battery, W'],
        rows: samples
          .slice(-10)
          .map((sample) => [
            String(last.atS - sample.atS),
            String(sample.output?.watts ?? ''),
            String(sample.battery?.watts ?? ''),
          ]),
      },
    };
  });

  constructor() {
    effect(() => {
      const sample = this.feed.samples().at(-1);
      const meter = sample?.output ?? sample?.battery;
      const at = sample?.output ? ('output' as const) : ('battery' as const);
      if (!this.followed() || !meter) {
        this.state.liveMeter.set(undefined);
        return;
      }
      const before = untracked(this.state.liveMeter);
      if (before && meter.atS - before.atS < METER_EVERY_S && meter.atS >= before.atS) return;
      this.state.liveMeter.set({ at, watts: Math.max(0, meter.watts), atS: meter.atS });
    });
  }

  protected follow(scenario: ScenarioId): void {
    this.problem.set(undefined);
    this.feed.follow(scenario);
  }

  protected async replay(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    const isFeed = this.feed.replay(await file.text());
    this.problem.set(
      isFeed ? undefined : `${file.name} is no feed of instruments: its first line is no header.`,
    );
  }

  protected keepStart(): void {
    const start = this.feed.start();
    if (!start) return;
    const simulated = this.feed.header()?.simulated ?? 'yes';
    this.entries.put(testOfStartSeen(this.state.rig(), { ...start, simulated }));
    this.feed.forgetStart();
  }
}
