import { computed, inject, Injectable, signal } from '@angular/core';
import type { Rig } from '@heliarch/core/rig';
import {
  compareReadings,
  keyOfFact,
  sayPlate,
  suggestedCircuit,
  TYPICAL_LOADS,
  withPlateIn,
  type PlateAnswers,
  type PlateFact,
  type PlateList,
  type PlateTarget,
  type TypicalLoad,
} from '@heliarch/core/plate';
import { RigSession } from '../storage/rig-session';

/** Extra-low voltage, direct current: IEC 61140 has 120 V at most, and rigs have no more than this. */
const MOST_LOW_VOLTS = 60;
const LISTS = { load: 'loads', converter: 'converters', generator: 'sources', battery: 'batteries' } as const;

/** A plate that is being read: its text, what was answered and compared, and what it becomes. */
@Injectable()
export class PlateState {
  private readonly session = inject(RigSession);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('A plate was read without a rig');
    return rig;
  });
  readonly text = signal('');
  readonly answers = signal<PlateAnswers>({});
  /** Numbers that were compared with the picture, as they were read then; undefined where the text was typed. */
  private readonly compared = signal<ReadonlyMap<string, string> | undefined>(undefined);
  private readonly otherwise = signal<ReadonlyMap<string, PlateFact>>(new Map());
  private readonly chosenKind = signal<string | undefined>(undefined);
  private readonly chosenCircuit = signal<string | undefined>(undefined);
  readonly name = signal('');
  private readonly chosenEntry = signal<string | undefined>(undefined);
  /** The entry that it is put into, empty for a new one: the plate of an inverter is that of the one the rig has. */
  readonly entry = computed((): string => {
    const list = this.list();
    const [only, ...others] = list === 'loads' ? [] : this.rig()[list];
    return this.chosenEntry() ?? (only && others.length === 0 ? only.id : '');
  });
  /** What was added so far, for a walk round the rig. */
  readonly added = signal<readonly string[]>([]);

  readonly isOfPicture = computed(() => this.compared() !== undefined);
  /** At the volts of the mains: what it is does not hang on its circuit. */
  private readonly first = computed(() => this.saidAt(this.mains()));
  readonly device = computed(() => this.first().device);
  readonly list = computed((): PlateList => LISTS[this.device()]);
  /** The kinds that it may be first, then all others. */
  readonly kinds = computed(() => [...new Set([...this.first().kinds.kinds, ...TYPICAL_LOADS])]);
  readonly isTold = computed(() => this.first().kinds.isTold);
  readonly kind = computed((): TypicalLoad | undefined => {
    const chosen = this.chosenKind();
    if (chosen !== undefined) return TYPICAL_LOADS.find(({ id }) => id === chosen);
    return this.isTold() ? this.kinds()[0] : undefined;
  });
  readonly circuit = computed((): string => {
    const kind = this.kind();
    const { circuits } = this.rig();
    const suggested = kind
      ? suggestedCircuit(
          circuits.map(({ name }) => name),
          kind,
        )
      : 0;
    const usual = this.lowVoltageCircuit() ?? circuits[suggested]?.id ?? '';
    return this.existingCircuit() ?? this.chosenCircuit() ?? usual;
  });
  /** Where a plate of a few volts belongs. */
  private readonly lowVoltageCircuit = computed(() => {
    const volts = this.first().facts.find(({ quantity }) => quantity === 'volts')?.value;
    if (volts === undefined || volts > MOST_LOW_VOLTS) return undefined;
    const buses = this.rig().buses.filter(({ kind }) => kind === 'dc');
    return this.rig().circuits.find(({ bus }) => buses.some(({ id }) => id === bus))?.id;
  });
  private readonly existingCircuit = computed(() => {
    const id = this.entry();
    return this.list() === 'loads' ? this.rig().loads.find((load) => load.id === id)?.circuit : undefined;
  });

  readonly said = computed(() =>
    this.device() === 'load'
      ? this.saidAt(this.voltsOf(this.circuit()))
      : this.saidAt(this.mains(), this.batteryVolts()),
  );
  readonly isEmpty = computed(() => this.text().trim() === '');
  /** Amps of three phases are of three conductors: taken for one they would be too few. */
  readonly isForThreePhases = computed(() =>
    this.said().warnings.some(({ kind }) => kind === 'three-phases'),
  );
  /** What the plate is put into; undefined while it is not said what it is, or where it cannot be. */
  readonly target = computed((): PlateTarget | undefined => {
    if (this.isForThreePhases()) return undefined;
    const [list, id, kind] = [this.list(), this.entry(), this.kind()];
    if (id !== '') return { into: 'entry', list, id };
    if (list !== 'loads') return { into: 'new-entry', list, name: this.name() };
    return kind && { into: 'new-load', kind, name: this.name(), circuit: this.circuit() };
  });
  /** The rig as it would be. */
  readonly put = computed(() => {
    const target = this.target();
    return target && withPlateIn(this.rig(), this.said(), target);
  });
  readonly uncompared = computed(() => this.said().facts.filter(({ isUnconfirmed }) => isUnconfirmed));

  /** What was read off a picture, in two ways: what they do not agree on is said at the number. */
  takeReadings(texts: readonly string[]): void {
    const { text, otherwise } = compareReadings(texts, this.mains()?.volts);
    this.startOver();
    this.text.set(text);
    this.otherwise.set(otherwise);
    this.compared.set(new Map());
  }

  write(text: string): void {
    const before = this.questioned();
    this.text.set(text);
    const after = this.questioned();
    // An answer is to what stood there: where that is another now, it is asked anew.
    this.answers.update((answers) =>
      Object.fromEntries(Object.entries(answers).filter(([id]) => before.get(id) === after.get(id))),
    );
  }

  answer(question: string, choice: string): void {
    this.answers.update((before) => ({ ...before, [question]: choice }));
  }

  choose(kind: string): void {
    this.chosenKind.set(kind);
  }

  chooseEntry(entry: string): void {
    this.chosenEntry.set(entry);
  }

  chooseCircuit(circuit: string): void {
    this.chosenCircuit.set(circuit);
  }

  compare(facts: readonly PlateFact[], isAsPictured: boolean): void {
    this.compared.update((before) => {
      const after = new Map(before);
      for (const fact of facts)
        if (isAsPictured) after.set(keyOfFact(fact), fact.text);
        else after.delete(keyOfFact(fact));
      return after;
    });
  }

  /** What the other way to read the picture has in its place. */
  otherReading(fact: PlateFact): PlateFact | undefined {
    const other = this.otherwise().get(keyOfFact(fact));
    return other && other.text !== fact.text ? other : undefined;
  }

  /** Puts the plate into the rig: one step, that can be undone. */
  add(): void {
    // What is put away afterwards is still what an edit that is made again goes by.
    const [put, target, said] = [this.put(), this.target(), this.said()];
    if (!put || !target) return;
    const entries: readonly { readonly id: string; readonly name: string }[] = put.rig[put.list];
    const name = entries.find(({ id }) => id === put.id)?.name ?? '';
    this.session.change((rig) => withPlateIn(rig, said, target).rig, {
      label: `${target.into === 'entry' ? 'fill in' : 'add'} ${name} from its plate`,
    });
    this.added.update((before) => [...before, name]);
    this.startOver();
  }

  startOver(): void {
    this.text.set('');
    this.answers.set({});
    this.compared.set(undefined);
    this.otherwise.set(new Map());
    this.chosenKind.set(undefined);
    this.chosenCircuit.set(undefined);
    this.name.set('');
    this.chosenEntry.set(undefined);
  }

  /** What each question is about. */
  private questioned(): ReadonlyMap<string, string> {
    return new Map(
      this.said().questions.map(({ id, about }) => [id, about.map(({ text }) => text).join('\n')]),
    );
  }

  /** Of the bus that the inverter hangs on; of a new one only where there is no other. */
  private readonly batteryVolts = computed(() => {
    const { buses, converters } = this.rig();
    const inverter = converters.find(({ id }) => id === this.entry());
    const possible = inverter ? buses.filter(({ id }) => id === inverter.from) : buses;
    const [bus, ...others] = possible.filter(({ kind }) => kind === 'dc');
    return others.length === 0 ? bus?.volts : undefined;
  });
  private readonly mains = computed(() => {
    const bus = this.rig().buses.find(({ kind }) => kind === 'ac');
    return bus && { volts: bus.volts, hertz: bus.hertz };
  });

  private voltsOf(
    circuitId: string,
  ): { readonly volts: number; readonly hertz: number | undefined } | undefined {
    const circuit = this.rig().circuits.find(({ id }) => id === circuitId);
    const bus = this.rig().buses.find(({ id }) => id === circuit?.bus);
    return bus && { volts: bus.volts * (circuit?.pole === 'both' ? 2 : 1), hertz: bus.hertz };
  }

  private saidAt(
    at: { readonly volts: number; readonly hertz: number | undefined } | undefined,
    batteryVolts?: number,
  ) {
    const compared = this.compared();
    const whatFor = {
      volts: at?.volts,
      hertz: at?.hertz,
      batteryVolts,
      answers: this.answers(),
    };
    const plain = sayPlate(this.text(), { ...whatFor, confirmed: 'all' });
    if (!compared) return plain;
    const confirmed = new Set(
      plain.facts.filter((fact) => compared.get(keyOfFact(fact)) === fact.text).map(keyOfFact),
    );
    return sayPlate(this.text(), { ...whatFor, confirmed });
  }
}
