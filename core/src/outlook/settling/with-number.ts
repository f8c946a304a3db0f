import { loadOf } from '../../rig/lookup.js';
import { withPartNumber, type PartNumber } from '../../rig/edits.js';
import type { Quantity } from '../../units/quantity.js';
import type { CompiledRig } from '../../check/wiring/compile.js';

/** A rig with one number of one part at another value, its wiring as it is. */
export function withNumber(
  compiled: CompiledRig,
  at: { readonly loadId: string; readonly partId: string; readonly field: PartNumber },
  quantity: Quantity,
): CompiledRig {
  const { loadId, partId, field } = at;
  return compiled.withNumbersOf(
    loadOf(withPartNumber(compiled.rig, loadId, partId, field, quantity), loadId),
  );
}
