import type { NumberStyle } from '@heliarch/core';
import { computed, Injectable, signal } from '@angular/core';
import {
  CHEMISTRIES,
  describeProblem,
  LARGEST_BREAKER_A,
  parseNumber,
  validateRig,
  type Chemistry,
  type Rig,
} from '@heliarch/core';
import {
  MAINS,
  rigFromAnswers,
  type FirstAnswers,
  type MainsId,
  type TypicalLoad,
} from '@heliarch/core/editing';
import { RigState } from '../rig-state';

/** A question that is answered with numbers. */
export interface NumberAsked {
  readonly key: NumberKey;
  readonly label: string;
  readonly unit: string;
  readonly most: number;
}

export type NumberKey =
  | 'batteryV'
  | 'batteryAh'
  | 'inverterW'
  | 'inverterVA'
  | 'surgeVA'
  | 'surgeS'
  | 'hookupA'
  | 'solarW'
  | 'generatorVA';

const MOST_W = 100_000;

export const BATTERY_NUMBERS: readonly NumberAsked[] = [
  { key: 'batteryV', label: 'Nominal volts', unit: 'V', most: 1000 },
  { key: 'batteryAh', label: 'Amp-hours', unit: 'Ah', most: 100_000 },
];
export const INVERTER_NUMBERS: readonly NumberAsked[] = [
  { key: 'inverterW', label: 'Running, watts', unit: 'W', most: MOST_W },
  { key: 'inverterVA', label: 'Running, volt-amperes', unit: 'VA', most: MOST_W },
  { key: 'surgeVA', label: 'Short, volt-amperes', unit: 'VA', most: MOST_W },
  { key: 'surgeS', label: 'for how long', unit: 's', most: 86_400 },
];
export const HOOKUP_NUMBERS: readonly NumberAsked[] = [
  { key: 'hookupA', label: 'Smallest breaker on the way', unit: 'A', most: LARGEST_BREAKER_A },
];
export const SUN_NUMBERS: readonly NumberAsked[] = [
  { key: 'solarW', label: 'All panels together', unit: 'W', most: MOST_W },
];
export const GENERATOR_NUMBERS: readonly NumberAsked[] = [
  { key: 'generatorVA', label: 'For hours, not its peak', unit: 'W', most: MOST_W },
];

const ALL_NUMBERS: readonly NumberAsked[] = [
  ...BATTERY_NUMBERS,
  ...INVERTER_NUMBERS,
  ...HOOKUP_NUMBERS,
  ...SUN_NUMBERS,
  ...GENERATOR_NUMBERS,
];

/** Where the first circuits are, until the user says otherwise. */
export interface CircuitTyped {
  readonly name: string;
  readonly amps: string;
}

/** The answers as typed, and the rig they already make; kept while the questions are left for a while. */
@Injectable({ providedIn: 'root' })
export class FirstRunState extends RigState {
  readonly name = signal('My rig');
  readonly mains = signal<MainsId>('na-120');
  readonly chemistry = signal<Chemistry | ''>('');
  readonly assists = signal<'yes' | 'no' | ''>('');
  readonly typed = signal<Readonly<Record<string, string>>>({});
  readonly circuits = signal<readonly CircuitTyped[]>([{ name: 'Outlets', amps: '' }]);
  readonly loads = signal<readonly TypicalLoad[]>([]);

  readonly answers = computed((): FirstAnswers => {
    const typed = this.typed();
    const number = (asked: NumberAsked): number | undefined =>
      this.faultOf(asked) === undefined ? usable(this.numberStyle, typed[asked.key]) : undefined;
    const numbers = Object.fromEntries(ALL_NUMBERS.map((asked) => [asked.key, number(asked)]));
    const usual = MAINS[this.mains()].amps;
    return {
      ...numbers,
      name: this.name(),
      mains: this.mains(),
      chemistry: CHEMISTRIES.find((each) => each === this.chemistry()),
      assists: this.assists() === '' ? undefined : this.assists() === 'yes',
      circuits: this.circuits()
        .filter(({ name }) => name.trim() !== '')
        .map((circuit) => ({
          name: circuit.name.trim(),
          amps:
            this.circuitFault(circuit) === undefined
              ? (usable(this.numberStyle, circuit.amps) ?? usual)
              : usual,
        })),
      loads: this.loads(),
    };
  });

  override readonly rig = computed((): Rig => rigFromAnswers(this.answers()));

  /** For another rig. */
  reset(): void {
    this.name.set('My rig');
    this.mains.set('na-120');
    this.chemistry.set('');
    this.assists.set('');
    this.typed.set({});
    this.circuits.set([{ name: 'Outlets', amps: '' }]);
    this.loads.set([]);
  }

  /** What is wrong with what was typed; nothing for a field that is left open. */
  faultOf({ key, label, unit, most }: NumberAsked): string | undefined {
    const text = this.typed()[key] ?? '';
    if (text.trim() === '') return undefined;
    const value = parseNumber(this.numberStyle, text);
    return value !== undefined && value > 0 && value <= most
      ? undefined
      : `${label} must be a number of ${unit} above 0 and at most ${most}.`;
  }

  /** What is wrong with the amps of a circuit; nothing where they are left open. */
  circuitFault({ name, amps }: CircuitTyped): string | undefined {
    if (amps.trim() === '') return undefined;
    const value = usable(this.numberStyle, amps);
    return value !== undefined && value <= LARGEST_BREAKER_A
      ? undefined
      : `The amps of ${name || 'this circuit'} must be a number above 0 and at most ${LARGEST_BREAKER_A}.`;
  }

  /** What keeps the answers from being a rig, in sentences: a number out of range, a name too long. */
  readonly faults = computed((): readonly string[] => {
    const numbers = ALL_NUMBERS.flatMap((asked) => this.faultOf(asked) ?? []);
    const typed = [...numbers, ...this.circuits().flatMap((circuit) => this.circuitFault(circuit) ?? [])];
    const read = validateRig(this.rig());
    return typed.length > 0 || read.ok ? typed : read.problems.map(describeProblem);
  });

  type(key: NumberKey, text: string): void {
    this.typed.update((typed) => ({ ...typed, [key]: text }));
  }

  setCircuit(index: number, part: Partial<CircuitTyped>): void {
    this.circuits.update((circuits) =>
      circuits.map((circuit, i) => (i === index ? { ...circuit, ...part } : circuit)),
    );
  }

  addCircuit(): void {
    this.circuits.update((circuits) => [...circuits, { name: '', amps: '' }]);
  }

  removeCircuit(index: number): void {
    this.circuits.update((circuits) => circuits.filter((_, i) => i !== index));
  }

  addLoad(kind: TypicalLoad): void {
    this.loads.update((loads) => [...loads, kind]);
  }

  removeLoad(index: number): void {
    this.loads.update((loads) => loads.filter((_, i) => i !== index));
  }
}

function usable(style: NumberStyle, text: string | undefined): number | undefined {
  const value = parseNumber(style, text ?? '');
  return value !== undefined && value > 0 ? value : undefined;
}
