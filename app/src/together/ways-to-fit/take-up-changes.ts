import { inject } from '@angular/core';
import type { Change, CheckScene } from '@heliarch/core/check';
import type { Rig, Scene } from '@heliarch/core/rig';
import { changedBy } from '@heliarch/core/explain';
import { TogetherState } from '../together-state';

/** What is on before a change is made, by what is on now. */
type Prepared = (scene: Scene) => Pick<CheckScene, 'on'>;

/** Makes changes in one step: the set, and where a change asks for it the rig, are as it says from now on. */
export function takeUpChanges(): (changes: readonly Change[], prepared?: Prepared) => void {
  const state = inject(TogetherState);
  return (changes, prepared = ({ on }) => ({ on })) => {
    const { id } = state.scene();
    const after = (rig: Rig) => {
      const scene = rig.scenes.find((each) => each.id === id) ?? state.scene();
      const asked = { rig, scene: { ...scene, ...prepared(scene) }, startOrder: state.startOrder() };
      return changedBy(asked, changes);
    };
    const takenUp = (before: Rig): Rig => {
      const { rig, scene, startOrder } = after(before);
      const on = scene.on.map(({ offAtRestartOf, ...entry }) => ({
        ...entry,
        ...(offAtRestartOf && { offAtRestartOf: [...offAtRestartOf] }),
      }));
      return {
        ...rig,
        scenes: rig.scenes.map((each) =>
          each.id === id ? { ...each, supply: scene.supply, startOrder, on } : each,
        ),
      };
    };
    state.takeUp(takenUp);
  };
}

/** A scene with a load on that is wanted besides. */
export function withWanted<T extends CheckScene>(scene: T, wanted: string): T {
  if (scene.on.some(({ load }) => load === wanted)) return scene;
  return { ...scene, on: [...scene.on, { load: wanted }] };
}
