import { computed, inject, Injectable } from '@angular/core';
import {
  check,
  explain,
  ladderOf,
  notChecked,
  staircaseOf,
  validateRig,
  wiringOf,
  withLoad,
  withPartNumber,
  withSupply,
  type PartNumber,
  type Quantity,
  type Rig,
} from '@heliarch/core';
import { RigSession } from '../book/rig-session';

/** The question of this room, "can these run together on this supply?", and its answer. */
@Injectable()
export class TogetherState {
  private readonly session = inject(RigSession);

  readonly rig = computed((): Rig => {
    const rig = this.session.rig();
    if (!rig) throw new Error('The room was opened without a rig');
    return rig;
  });

  /** The scene a reload restores; a rig always has one. */
  readonly scene = computed(() => {
    const scene = this.rig().scenes[0];
    if (!scene) throw new Error('A validated rig has a scene');
    return scene;
  });

  readonly result = computed(() => check(this.rig(), this.scene()));
  readonly explanation = computed(() => explain(this.rig(), this.result()));
  readonly staircase = computed(() => staircaseOf(this.result()));
  readonly ladder = computed(() => ladderOf(this.result()));
  readonly notChecked = computed(() => notChecked(this.result()));

  /** The circuits that feed nothing of this set. */
  readonly idleCircuits = computed(() => {
    const busy = new Set(this.result().elements.map((element) => element.id));
    return this.rig()
      .circuits.filter((circuit) => !busy.has(circuit.id))
      .map((circuit) => circuit.name);
  });

  /** Why a load cannot be fed on this supply, by its id; on or off. */
  readonly notFed = computed((): ReadonlyMap<string, string> => {
    const { notFed } = wiringOf(this.rig(), this.result().supply, this.rig().loads);
    return new Map(notFed.map(({ load, circuit }) => [load.id, `nothing feeds ${circuit.name}`]));
  });

  chooseSupply(supplyId: string): void {
    this.session.change((rig) => withSupply(rig, this.scene().id, supplyId));
  }

  switchLoad(loadId: string, isOn: boolean): void {
    this.session.change((rig) => withLoad(rig, this.scene().id, loadId, isOn));
  }

  correct(loadId: string, partId: string, number: PartNumber, quantity: Quantity): void {
    this.session.change((rig) => withPartNumber(rig, loadId, partId, number, quantity));
  }

  /** What is wrong with a number, in words, before it is taken. */
  faultOf(loadId: string, partId: string, number: PartNumber, quantity: Quantity): string | undefined {
    const read = validateRig(withPartNumber(this.rig(), loadId, partId, number, quantity));
    return read.ok ? undefined : read.problems[0]?.message;
  }
}
