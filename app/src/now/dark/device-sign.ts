import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** The sign of a device in a diagram, after IEC 60617: converter, cell, switch that opens by itself, fuse, machine. */
@Component({
  selector: 'heli-device-sign',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { 'aria-hidden': 'true' },
  template: `
    <svg viewBox="0 0 32 32">
      @switch (shape()) {
        @case ('inverter') {
          <path d="M4 4h24v24H4ZM4 28 28 4M8 9h6M8 12h6M17 22c1.5-4 3-4 4.5 0s3 4 4.5 0" />
        }
        @case ('battery') {
          <path d="M16 2v8M6 10h20M11 15h10M6 20h20M11 25h10M16 25v5" />
        }
        @case ('fuse') {
          <path d="M16 2v28M11 8h10v16H11Z" />
        }
        @case ('generator') {
          <circle cx="16" cy="16" r="12" />
          <path d="M20 12a5 5 0 1 0 0 8v-4h-4" />
        }
        @case ('source') {
          <path d="M16 2v9M11 11v8a5 5 0 0 0 10 0v-8ZM13 6v5M19 6v5M16 24v6" />
        }
        @default {
          <path d="M16 2v8M16 30v-8M16 22 8 9M12 6l8 8M20 6l-8 8" />
        }
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      fill: none;
      stroke: currentColor;
      stroke-width: 1.6;
    }
  `,
})
export class DeviceSign {
  readonly kind = input.required<string>();

  protected readonly shape = computed(() => {
    const kind = this.kind();
    if (kind === 'battery-fuse') return 'fuse';
    if (kind.startsWith('inverter')) return 'inverter';
    if (kind === 'source-lost') return 'source';
    return kind === 'battery' || kind === 'generator' ? kind : 'breaker';
  });
}
