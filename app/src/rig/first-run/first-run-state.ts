import { computed, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { describeProblem, validateRig, type Rig } from '@heliarch/core/rig';
import { parseAmount, parseNumber, type Amount } from '@heliarch/core/units';
import {
  MAINS,
  rigFromAnswers,
  suggestedPlace,
  type FirstAnswers,
  type FirstPlace,
  type TypicalLoad,
} from '@heliarch/core/describe';
import { RigState } from '../rig-state';
import {
  CIRCUIT_AMPS,
  circuitRow,
  faultIn,
  firstRunForm,
  HOOKUP,
  hookupRow,
  loadRow,
  NUMBERS,
  numberIn,
  TIER,
  tierRow,
  type CircuitRow,
  type LoadRow,
  type NumberAsked,
  type NumberControl,
  type NumberKey,
} from './first-run-form';
import { QUESTIONS, type Question, type QuestionId } from './questions';

/** The answers as typed, and the rig they already make; kept while the questions are left for a while. */
@Injectable({ providedIn: 'root' })
export class FirstRunState extends RigState {
  readonly form = firstRunForm();
  private readonly changes = toSignal(this.form.events);

  readonly answers = computed((): FirstAnswers => {
    this.changes();
    return this.read();
  });
  override readonly rig = computed((): Rig => rigFromAnswers(this.answers()));
  readonly questions = computed((): readonly Question[] =>
    QUESTIONS.filter(({ needsInverter }) => !needsInverter || this.answers().fedBy === 'inverter'),
  );

  /** What keeps the answers to one question, or to all of them, from being a rig: in sentences. */
  faultsOf(question: QuestionId | 'all'): readonly string[] {
    this.changes();
    const own = this.numbersOf(question).flatMap(({ name, control, asked }) => {
      const fault = control.hasError('unreadable') ? 'must be a number' : faultIn(control, asked);
      return fault === undefined ? [] : [`${name} ${fault}.`];
    });
    const plates = question === 'all' || question === 'loads' ? this.plateFaults() : [];
    if (question !== 'all' || own.length + plates.length > 0) return [...own, ...plates];
    const read = validateRig(this.rig());
    return read.ok ? [] : read.problems.map(describeProblem);
  }

  /** For another rig. */
  reset(): void {
    const fresh = firstRunForm();
    this.form.controls.loads.clear();
    for (const name of ['tiers', 'hookups', 'circuits'] as const) this.form.controls[name].clear();
    this.form.controls.tiers.push(tierRow());
    this.form.controls.hookups.push(hookupRow());
    this.form.controls.circuits.push(circuitRow('Outlets'));
    this.form.reset(fresh.getRawValue());
  }

  addLoad(kind: TypicalLoad, plate: string): void {
    this.form.controls.loads.push(loadRow(kind, plate));
  }

  /** Where a load is taken to hang, as its select has it. */
  placeOf(row: LoadRow): string {
    const { kind, place } = row.getRawValue();
    return place === '' ? String(suggestedPlace(this.answers(), { kind })) : place;
  }

  plateFault(row: LoadRow): string | undefined {
    const { plate } = row.getRawValue();
    return plate.trim() === '' || this.amountOf(plate)
      ? undefined
      : 'must be watts, amps or horsepower, such as 1400 W or 3 hp';
  }

  private plateFaults(): readonly string[] {
    return this.form.controls.loads.controls.flatMap((row) => {
      const fault = this.plateFault(row);
      return fault === undefined ? [] : [`The plate of ${row.getRawValue().kind.name} ${fault}.`];
    });
  }

  /** A bare number on a plate is watts. */
  private amountOf(text: string): Amount | undefined {
    const watts = parseNumber(this.numberStyle, text);
    const amount = watts === undefined ? parseAmount(this.numberStyle, text) : { value: watts, unit: 'W' };
    return amount && PLATE_UNITS.includes(amount.unit) && amount.value > 0 ? amount : undefined;
  }

  private read(): FirstAnswers {
    const { name, mains, fedBy, chemistry, assists, charger } = this.form.getRawValue();
    const { numbers, tiers, hookups, circuits, loads } = this.form.controls;
    const known = Object.entries(numbers.controls).map(([key, control]) => [key, numberIn(control)]);
    return {
      ...(Object.fromEntries(known) as Partial<Record<NumberKey, number>>),
      name,
      mains,
      fedBy,
      ...(chemistry !== '' && { chemistry }),
      ...(assists !== '' && { assists: assists === 'yes' }),
      ...(charger !== '' && { charger }),
      tiers: tiers.controls.flatMap(({ controls }) => {
        const va = numberIn(controls.va);
        return va === undefined ? [] : [{ va, seconds: numberIn(controls.seconds) ?? USUAL_TIER_S }];
      }),
      hookups: hookups.controls.flatMap(({ controls }) => {
        const amps = numberIn(controls.amps);
        return amps === undefined ? [] : [{ amps, plugA: numberIn(controls.plugA) }];
      }),
      circuits: circuits.controls.filter(isNamed).map(({ controls }) => ({
        name: controls.name.value.trim(),
        amps: numberIn(controls.amps) ?? MAINS[mains].amps,
        isPair: controls.isPair.value,
      })),
      loads: loads.controls.map(({ controls: { kind, plate, count, place } }) => ({
        kind: kind.value,
        count: count.value,
        stated: this.amountOf(plate.value),
        circuit: place.value === '' ? undefined : placeFrom(place.value),
      })),
    };
  }

  private numbersOf(question: QuestionId | 'all'): readonly AskedControl[] {
    const { numbers, tiers, hookups, circuits } = this.form.controls;
    const plain = (Object.keys(NUMBERS) as NumberKey[]).map((key) => ({
      question: QUESTION_OF[key],
      name: NUMBERS[key].label,
      control: numbers.controls[key],
      asked: NUMBERS[key],
    }));
    const rows = [
      ...tiers.controls.flatMap(({ controls }) => [
        { question: 'inverter', name: TIER.va.label, control: controls.va, asked: TIER.va },
        { question: 'inverter', name: TIER.seconds.label, control: controls.seconds, asked: TIER.seconds },
      ]),
      ...hookups.controls.flatMap(({ controls }) => [
        { question: 'hookup', name: HOOKUP.amps.label, control: controls.amps, asked: HOOKUP.amps },
        { question: 'hookup', name: HOOKUP.plugA.label, control: controls.plugA, asked: HOOKUP.plugA },
      ]),
      ...circuits.controls.map(({ controls }) => ({
        question: 'circuits',
        name: `The amps of ${controls.name.value || 'this circuit'}`,
        control: controls.amps,
        asked: CIRCUIT_AMPS,
      })),
    ];
    return [...plain, ...rows].filter((each) => question === 'all' || each.question === question);
  }
}

interface AskedControl {
  readonly question: string;
  readonly name: string;
  readonly control: NumberControl;
  readonly asked: NumberAsked;
}

const QUESTION_OF: Readonly<Record<NumberKey, QuestionId>> = {
  batteryV: 'battery',
  batteryAh: 'battery',
  inverterW: 'inverter',
  inverterVA: 'inverter',
  chargeA: 'inverter',
  solarW: 'sun',
  generatorW: 'generator',
};
const PLATE_UNITS = ['W', 'VA', 'A', 'hp'];
/** A surge of which no seconds are given is taken as a short one. */
const USUAL_TIER_S = 1;

function isNamed({ controls }: CircuitRow): boolean {
  return controls.name.value.trim() !== '';
}

function placeFrom(place: string): FirstPlace {
  return place === 'own' || place === 'own-pair' ? place : Number(place);
}
