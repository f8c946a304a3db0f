import { Injectable, signal } from '@angular/core';
import type { NumberStyle, UnitSystem } from '@heliarch/core/units';

export type Clock = '12' | '24';

/** A setting of this browser: a few words under a key, or what is usual here. */
interface Setting<T extends string> {
  readonly key: string;
  readonly options: readonly T[];
  readonly usual: () => T;
}

const UNITS: Setting<UnitSystem> = {
  key: 'heliarch-units',
  options: ['us', 'metric'],
  // Where a browser speaks American English, feet and Fahrenheit are usual.
  usual: () => (navigator.language === 'en-US' ? 'us' : 'metric'),
};

const CLOCK: Setting<Clock> = { key: 'heliarch-clock', options: ['12', '24'], usual: () => '24' };

const NUMBERS: Setting<NumberStyle> = {
  key: 'heliarch-numbers',
  options: ['point', 'comma'],
  usual: () =>
    new Intl.NumberFormat(navigator.language).formatToParts(HALF).some(({ value }) => value === ',')
      ? 'comma'
      : 'point',
};
const HALF = 0.5;

/** How units, times and numbers are read and typed; kept for this browser. */
@Injectable({ providedIn: 'root' })
export class UnitChoice {
  private readonly units = signal(kept(UNITS));
  private readonly hours = signal(kept(CLOCK));
  readonly system = this.units.asReadonly();
  readonly clock = this.hours.asReadonly();
  readonly numbers = kept(NUMBERS);

  choose(system: UnitSystem): void {
    this.units.set(system);
    keep(UNITS, system);
  }

  chooseClock(clock: Clock): void {
    this.hours.set(clock);
    keep(CLOCK, clock);
  }

  /** Every number on the page is written anew, so the page is. */
  chooseNumbers(style: NumberStyle): void {
    keep(NUMBERS, style);
    location.reload();
  }

  /** A time of the day by the chosen clock. */
  time(at: Date): string {
    return this.clock() === '12'
      ? at.toLocaleTimeString('en-US', { hour: 'numeric', minute: '2-digit' })
      : at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  }
}

function kept<T extends string>({ key, options, usual }: Setting<T>): T {
  try {
    const text = localStorage.getItem(key);
    return options.find((option) => option === text) ?? usual();
  } catch {
    return usual();
  }
}

function keep<T extends string>({ key }: Setting<T>, option: T): void {
  try {
    localStorage.setItem(key, option);
  } catch {
    // A browser that keeps nothing still shows what was chosen until it is closed.
  }
}
