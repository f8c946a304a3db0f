import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { DemoRigs } from '../book/demo-rigs';
import { RigSession } from '../book/rig-session';

/** What a new user sees before there is any rig. */
@Component({
  selector: 'heli-empty-book',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>No rig yet</h1>
    <p>
      A rig is your inverter, breakers, supplies and loads. Look around in the demo rig, a fictitious workshop
      in a van, or open a file that Heliarch saved.
    </p>
    <div>
      <button type="button" class="plain-button" (click)="openDemo()">Look at the demo rig Tern</button>
      <button type="button" class="plain-button" (click)="openFile.emit()">Open a file …</button>
    </div>
    @if (failed()) {
      <p role="alert">The demo rig cannot be read here. Reload the page, or open a file.</p>
    }
  `,
  styles: `
    :host {
      display: block;
      max-width: 560px;
      padding: 64px 0;
    }
    h1 {
      font: 600 20px/26px var(--body);
    }
    p {
      margin: 8px 0 20px;
      color: var(--ink-2);
    }
    div {
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
  `,
})
export class EmptyBook {
  private readonly demoRigs = inject(DemoRigs);
  private readonly session = inject(RigSession);
  protected readonly failed = signal(false);

  readonly openFile = output();

  protected async openDemo(): Promise<void> {
    const rig = await this.demoRigs.named('tern');
    if (rig) this.session.open(rig);
    else this.failed.set(true);
  }
}
