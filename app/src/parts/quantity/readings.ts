import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormRecord, Validators } from '@angular/forms';
import { map } from 'rxjs';
import type { Known } from './quantity-control';

export type ReadingsForm = FormRecord<FormControl<Known>>;

/** A form for what is read off a meter: bare numbers from 0 on. */
export function readingsForm(ids: readonly string[]): ReadingsForm {
  return new FormRecord(Object.fromEntries(ids.map((id) => [id, readingControl()])));
}

export function readingControl(): FormControl<Known> {
  return new FormControl<Known>(null, Validators.min(0));
}

/** What has been read, by the ids of the form: nothing for a field that is empty or is no reading. */
export function readingsOf(form: ReadingsForm): () => Readonly<Record<string, number | undefined>> {
  const read = (): Readonly<Record<string, number | undefined>> =>
    Object.fromEntries(Object.entries(form.controls).map(([id, control]) => [id, readingOf(control)]));
  return toSignal(form.events.pipe(map(read)), { initialValue: read() });
}

export function readingOf(control: FormControl<Known>): number | undefined {
  return control.valid && typeof control.value === 'number' ? control.value : undefined;
}

/** Why a field is no reading; nothing where it is one, or empty. */
export function readingFault(control: FormControl<Known>): string | undefined {
  return control.hasError('min') ? 'must be from 0 on' : undefined;
}
