import { CODE_LETTERS } from '../reference/nec-430-code-letters.js';
import type { StartFrom } from '../rig-file/schema.js';
import { factAt, type PlateFact } from './read/plate-fact.js';
import { ofPlate } from './quantity-of-fact.js';

/**
 * What a start follows from; undefined where the plate has nothing that a start follows from.
 *
 * Source: locked-rotor amps of a compressor (NEC 440.4), horsepower with a code letter (NEC 430.7(B)), else rated-load amps, whose
 *   usual multiple is the kind's; from memory, in docs/plate.md.
 */
export function startOf(
  facts: readonly PlateFact[],
): { readonly from: StartFrom; readonly used: readonly PlateFact[] } | undefined {
  const volts = factAt(facts, 'volts', 'main', 'input');
  const at = volts && !volts.range ? { volts: volts.value } : {};
  const [locked, rated] = [
    factAt(facts, 'lockedRotorAmps', 'compressor'),
    factAt(facts, 'ratedLoadAmps', 'compressor'),
  ];
  if (locked) return { from: { lockedRotorA: ofPlate(locked, 'start'), ...at }, used: [locked] };
  const horsepower = factAt(facts, 'horsepower', 'main', 'output');
  const code = factAt(facts, 'codeLetter', 'main');
  const codeLetter = CODE_LETTERS.find((letter) => letter === code?.letter);
  if (horsepower)
    return {
      from: { horsepower: horsepower.value, ...at, ...(codeLetter && { codeLetter }) },
      used: [horsepower, ...(code ? [code] : [])],
    };
  return rated && { from: { ratedLoadA: ofPlate(rated), ...at }, used: [rated] };
}
