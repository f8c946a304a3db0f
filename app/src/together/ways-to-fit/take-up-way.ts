import { inject } from '@angular/core';
import { loadOf, type CheckScene, type Rig, type StartOrderRule, type Way } from '@heliarch/core';
import { changedBy } from '@heliarch/core/explaining';
import { TogetherState } from '../together-state';

/** Takes a way to make it fit up: the set, and where the way asks for it the rig, are as it says from now on. */
export function takeUpWay(): (way: Pick<Way, 'changes'>, wanted?: string) => void {
  const state = inject(TogetherState);
  return ({ changes }, wanted) => {
    const { id } = state.scene();
    const asked = (rig: Rig) => {
      const scene = rig.scenes.find((each) => each.id === id) ?? state.scene();
      return changedBy(
        { rig, scene: withWanted(rig, scene, wanted), startOrder: state.startOrder() },
        changes,
      );
    };
    const takenUp = (rig: Rig): Rig => {
      const { rig: changed, scene } = asked(rig);
      const on = scene.on.map((entry) => ({ ...entry }));
      return {
        ...changed,
        scenes: changed.scenes.map((each) => (each.id === id ? { ...each, supply: scene.supply, on } : each)),
      };
    };
    const { startOrder }: { readonly startOrder: StartOrderRule } = asked(state.rig());
    state.takeUp(takenUp, startOrder);
  };
}

/** A scene with a load on that is wanted besides. */
export function withWanted<T extends CheckScene>(rig: Rig, scene: T, wanted: string | undefined): T {
  if (wanted === undefined || scene.on.some(({ load }) => load === wanted)) return scene;
  return { ...scene, on: [...scene.on, { load: loadOf(rig, wanted).id }] };
}
