import { FormArray, FormControl, FormGroup, type AbstractControl } from '@angular/forms';
import type { Chemistry } from '@heliarch/core/rig';
import { fieldAt, type FirstCharger, type MainsId, type TypicalLoad } from '@heliarch/core/describe';
import type { Known } from '../../parts/quantity/quantity-control';

/** A number that is asked: how it is named, its unit, and from where to where the rig file takes it. */
export interface NumberAsked {
  readonly label: string;
  readonly unit: string;
  readonly least: number | undefined;
  readonly above: number | undefined;
  readonly most: number;
}

/** Asked for a field of the rig file: what is taken here is taken there. */
function asked(label: string, path: string): NumberAsked {
  const { unit = '', range } = fieldAt(path);
  return { label, unit, least: range?.least, above: range?.above, most: range?.most ?? Infinity };
}

export type NumberKey =
  | 'batteryV'
  | 'batteryAh'
  | 'inverterW'
  | 'inverterVA'
  | 'chargeA'
  | 'solarW'
  | 'generatorW';

export const NUMBERS: Readonly<Record<NumberKey, NumberAsked>> = {
  batteryV: asked('Nominal volts', 'buses[].volts'),
  batteryAh: asked('Amp-hours', 'batteries[].ampHours'),
  inverterW: asked('Running, watts', 'converters[].continuousW'),
  inverterVA: asked('Running, volt-amperes', 'converters[].continuousVA'),
  chargeA: asked('It charges with', 'converters[].chargeA'),
  solarW: asked('All panels together', 'solar[].stcW'),
  generatorW: asked('For hours, not its peak', 'sources[].continuousW'),
};
export const TIER = {
  va: asked('Short, volt-amperes', 'converters[].tiers[].limit'),
  seconds: asked('for how long', 'converters[].tiers[].seconds'),
};
export const HOOKUP = {
  amps: asked('Breaker of the post or outlet', 'supplies[].breaker.amps'),
  plugA: asked('Smallest plug or adapter', 'supplies[].cords[].plugA'),
};
export const CIRCUIT_AMPS = asked('Amps', 'circuits[].protection.amps');

export type NumberControl = FormControl<Known>;
export type TierRow = FormGroup<{ va: NumberControl; seconds: NumberControl }>;
export type HookupRow = FormGroup<{ amps: NumberControl; plugA: NumberControl }>;
export type CircuitRow = FormGroup<{
  name: FormControl<string>;
  amps: NumberControl;
  isPair: FormControl<boolean>;
}>;
export type LoadRow = FormGroup<{
  kind: FormControl<TypicalLoad>;
  plate: FormControl<string>;
  count: FormControl<number>;
  place: FormControl<string>;
}>;

const text = <T extends string>(value: T): FormControl<T> => new FormControl(value, { nonNullable: true });

function number({ least, above, most }: NumberAsked): NumberControl {
  const isTaken = (value: number): boolean =>
    value >= (least ?? -Infinity) && value > (above ?? -Infinity) && value <= most;
  return new FormControl<Known>(null, ({ value }: AbstractControl<Known>) =>
    typeof value === 'number' && !isTaken(value) ? { outOfRange: true } : null,
  );
}

export const tierRow = (): TierRow => new FormGroup({ va: number(TIER.va), seconds: number(TIER.seconds) });
export const hookupRow = (): HookupRow =>
  new FormGroup({ amps: number(HOOKUP.amps), plugA: number(HOOKUP.plugA) });
export const circuitRow = (name = ''): CircuitRow =>
  new FormGroup({
    name: text<string>(name),
    amps: number(CIRCUIT_AMPS),
    isPair: new FormControl(false, { nonNullable: true }),
  });
export const loadRow = (kind: TypicalLoad, plate: string): LoadRow =>
  new FormGroup({
    kind: new FormControl(kind, { nonNullable: true }),
    plate: text<string>(plate),
    count: new FormControl(1, { nonNullable: true }),
    place: text<string>(''),
  });

/** Every answer of the first run; what is left open is empty. */
export function firstRunForm() {
  return new FormGroup({
    name: text<string>('My rig'),
    mains: text<MainsId>('na-120'),
    fedBy: text<'inverter' | 'wall'>('inverter'),
    chemistry: text<Chemistry | ''>(''),
    assists: text<'yes' | 'no' | ''>(''),
    charger: text<FirstCharger | ''>(''),
    numbers: new FormGroup({
      batteryV: number(NUMBERS.batteryV),
      batteryAh: number(NUMBERS.batteryAh),
      inverterW: number(NUMBERS.inverterW),
      inverterVA: number(NUMBERS.inverterVA),
      chargeA: number(NUMBERS.chargeA),
      solarW: number(NUMBERS.solarW),
      generatorW: number(NUMBERS.generatorW),
    }),
    tiers: new FormArray<TierRow>([tierRow()]),
    hookups: new FormArray<HookupRow>([hookupRow()]),
    circuits: new FormArray<CircuitRow>([circuitRow('Outlets')]),
    loads: new FormArray<LoadRow>([]),
  });
}

/** Why a number cannot be taken; nothing where it can, or where it is left open. */
export function faultIn(control: NumberControl, asked: NumberAsked): string | undefined {
  if (!control.hasError('outOfRange')) return undefined;
  const { least, above, most, unit } = asked;
  return least === undefined
    ? `must be above ${above ?? 0} and at most ${most} ${unit}`
    : `must be from ${least} to ${most} ${unit}`;
}

/** A number that can be taken. */
export function numberIn(control: NumberControl): number | undefined {
  return control.valid && typeof control.value === 'number' ? control.value : undefined;
}
