import type { PartKind } from '../src/reference/kinds-of-parts.js';
import type { Basis, Quantity } from '../src/units/quantity.js';
import type { Load, Rig } from '../src/rig-file/schema.js';

/** A number without doubt, unless a basis says otherwise. */
export const q = (value: number, basis: Basis = 'setting', extra: Partial<Quantity> = {}): Quantity => ({
  value,
  basis,
  ...extra,
});

export interface ExampleLoad {
  readonly w: number | Quantity;
  readonly pf?: number;
  /** VA and seconds of the start, at the same power factor unless `startPf` says otherwise. */
  readonly start?: readonly [va: number | Quantity, seconds: number | Quantity];
  readonly startPf?: number;
  readonly usage?: Load['usage'];
  readonly kind?: PartKind;
  readonly minutes?: number;
  readonly circuit?: string;
}

const asQuantity = (value: number | Quantity): Quantity => (typeof value === 'number' ? q(value) : value);

export function exampleLoad(id: string, example: ExampleLoad): Load {
  const pf = example.pf ?? 1;
  return {
    id,
    name: id,
    circuit: example.circuit ?? 'main',
    usage: example.usage ?? 'left-on',
    ...(example.minutes === undefined ? {} : { runsMinutes: example.minutes }),
    parts: [
      {
        id: 'main',
        kind: example.kind ?? 'resistance-heater',
        runningW: asQuantity(example.w),
        powerFactor: q(pf),
        ...(example.start && {
          start: {
            va: asQuantity(example.start[0]),
            seconds: asQuantity(example.start[1]),
            powerFactor: q(example.startPf ?? pf),
          },
        }),
      },
    ],
  };
}

export interface ExampleSystem {
  readonly watts?: number;
  readonly va?: number;
  readonly tiers?: readonly (readonly [va: number, seconds: number])[];
  readonly breakerA?: number;
  readonly shoreA?: number;
}

/** One inverter, one circuit, battery and shore: only what a test is about differs from this. */
/** Of a battery that is no part of what is tested. */
const MORE_THAN_ASKED_A = 5000;

export function exampleRig(loads: Readonly<Record<string, ExampleLoad>>, system: ExampleSystem = {}): Rig {
  const { watts = 3000, va = watts, tiers = [], breakerA = 100, shoreA = 30 } = system;
  return {
    format: 'heliarch-rig',
    version: 2,
    id: 'example',
    name: 'Example',
    buses: [
      { id: 'dc', name: 'Battery', kind: 'dc', volts: 12 },
      { id: 'inlet', name: 'Inlet', kind: 'ac', volts: 120, hertz: 60 },
      { id: 'out', name: 'Output', kind: 'ac', volts: 120, hertz: 60 },
    ],
    sources: [{ id: 'shore', name: 'Shore', kind: 'inlet', bus: 'inlet' }],
    converters: [
      {
        id: 'inverter',
        name: 'Inverter',
        kind: 'inverter-charger',
        from: 'dc',
        to: 'out',
        passThroughFrom: 'inlet',
        continuousW: q(watts, 'data-sheet'),
        continuousVA: q(va, 'data-sheet'),
        tiers: tiers.map(([limit, seconds]) => ({
          limit: q(limit, 'data-sheet'),
          unit: 'VA' as const,
          seconds,
        })),
      },
    ],
    batteries: [{ id: 'bank', name: 'Bank', bus: 'dc', ampHours: q(200), dischargeA: MORE_THAN_ASKED_A }],
    circuits: [
      { id: 'main', name: 'Main', bus: 'out', protection: { amps: breakerA, curve: 'ul-489' } },
      { id: 'ahead', name: 'Ahead', bus: 'inlet', protection: { amps: 15, curve: 'ul-489' } },
    ],
    loads: Object.entries(loads).map(([id, example]) => exampleLoad(id, example)),
    supplies: [
      { id: 'battery', name: 'On battery', sources: [] },
      {
        id: 'shore',
        name: 'Shore',
        sources: ['shore'],
        breaker: { amps: shoreA, curve: 'ul-489' },
        charging: 'off',
      },
    ],
    scenes: [{ id: 'now', name: 'Now', supply: 'battery', on: [] }],
  };
}

export const on = (...ids: readonly string[]) => ids.map((load) => ({ load }));
