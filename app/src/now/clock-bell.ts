import { Injectable, signal } from '@angular/core';
import type { Clock } from '@heliarch/core/now';
import { clockWords } from '@heliarch/core/now';

const BUZZ_MS = 300;

/** Tells when a clock ends, where the browser allows it: also while another page is looked at. */
@Injectable()
export class ClockBell {
  private readonly permission = signal('Notification' in window ? Notification.permission : 'denied');
  private running = new Map<string, Clock>();

  /** Whether it may be asked for. */
  readonly mayAsk = (): boolean => this.permission() === 'default';
  readonly isOn = (): boolean => this.permission() === 'granted';

  async ask(): Promise<void> {
    this.permission.set(await Notification.requestPermission());
  }

  /** @param nowS Seconds since 1970. */
  follow(clocks: readonly Clock[], nowS: number): void {
    const ended = [...this.running.values()].filter(({ endsS }) => endsS <= nowS);
    this.running = new Map(clocks.filter(({ endsS }) => endsS > nowS).map((clock) => [clock.id, clock]));
    for (const clock of ended) void this.ring(clock);
  }

  private async ring(clock: Clock): Promise<void> {
    // Not every browser buzzes, and on a plain address none has a service worker.
    if ('vibrate' in navigator) navigator.vibrate(BUZZ_MS);
    if (!this.isOn()) return;
    const { name, what } = clockWords(clock);
    const options = { body: what.replace(/ then$/, ' now'), tag: clock.id };
    // A phone shows only what its service worker shows.
    const worker = 'serviceWorker' in navigator ? await navigator.serviceWorker.getRegistration() : undefined;
    if (worker) await worker.showNotification(name, options);
    else new Notification(name, options);
  }
}
