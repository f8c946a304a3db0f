import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of } from 'rxjs';
import type { PlannedPiece } from '@heliarch/core/day';
import { Answers, type Answer } from '../compute/answers';
import { latest } from '../compute/latest';
import { DayState } from './day-state';

/** Minutes at which a piece may begin with all others where they are; undefined as long as that is not known. */
export function placesOfPiece(
  piece: Signal<PlannedPiece | undefined>,
): Signal<readonly number[] | undefined> {
  const [answers, state] = [inject(Answers), inject(DayState)];
  const asked = computed(() => {
    const [which, day] = [piece(), state.day()];
    return which && day && { rig: state.rig(), day, piece: which };
  });
  const answer = toSignal(
    latest(toObservable(asked), (about) =>
      about
        ? answers.ask('tick', about.rig, 'placesOfPiece', about.day, about.piece)
        : of<Answer<readonly number[]>>({ status: 'given', value: [] }),
    ),
  );
  return computed(() => {
    const given = answer()?.given;
    return given?.about && given.about.piece === piece() ? given.value : undefined;
  });
}
