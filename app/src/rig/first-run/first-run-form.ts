import { FormArray, FormControl, FormGroup, Validators, type AbstractControl } from '@angular/forms';
import { LARGEST_BREAKER_A, type Chemistry } from '@heliarch/core/rig';
import type { FirstCharger, MainsId, TypicalLoad } from '@heliarch/core/describe';
import type { Known } from '../../parts/quantity/quantity-control';

/** A number that is asked: how it is named, in which unit, and how large it may be. */
export interface NumberAsked {
  readonly label: string;
  readonly unit: string;
  readonly most: number;
}

export type NumberKey =
  | 'batteryV'
  | 'batteryAh'
  | 'inverterW'
  | 'inverterVA'
  | 'chargeA'
  | 'solarW'
  | 'generatorW';

const MOST_W = 100_000;

export const NUMBERS: Readonly<Record<NumberKey, NumberAsked>> = {
  batteryV: { label: 'Nominal volts', unit: 'V', most: 1000 },
  batteryAh: { label: 'Amp-hours', unit: 'Ah', most: 100_000 },
  inverterW: { label: 'Running, watts', unit: 'W', most: MOST_W },
  inverterVA: { label: 'Running, volt-amperes', unit: 'VA', most: MOST_W },
  chargeA: { label: 'It charges with', unit: 'A', most: 5000 },
  solarW: { label: 'All panels together', unit: 'W', most: MOST_W },
  generatorW: { label: 'For hours, not its peak', unit: 'W', most: MOST_W },
};
export const TIER = {
  va: { label: 'Short, volt-amperes', unit: 'VA', most: MOST_W },
  seconds: { label: 'for how long', unit: 's', most: 86_400 },
} satisfies Record<string, NumberAsked>;
export const HOOKUP = {
  amps: { label: 'Breaker of the post or outlet', unit: 'A', most: LARGEST_BREAKER_A },
  plugA: { label: 'Smallest plug or adapter', unit: 'A', most: LARGEST_BREAKER_A },
} satisfies Record<string, NumberAsked>;
export const CIRCUIT_AMPS: NumberAsked = { label: 'Amps', unit: 'A', most: LARGEST_BREAKER_A };

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

function number({ most }: NumberAsked): NumberControl {
  return new FormControl<Known>(null, [aboveZero, Validators.max(most)]);
}

function aboveZero({ value }: AbstractControl<Known>): { readonly aboveZero: true } | null {
  return typeof value === 'number' && value <= 0 ? { aboveZero: true } : null;
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
export function faultIn(control: NumberControl, { unit, most }: NumberAsked): string | undefined {
  return control.hasError('aboveZero') || control.hasError('max')
    ? `must be above 0 and at most ${most} ${unit}`
    : undefined;
}

/** A number that can be taken. */
export function numberIn(control: NumberControl): number | undefined {
  return control.valid && typeof control.value === 'number' ? control.value : undefined;
}
