import fc from 'fast-check';
import { loadTable } from '../../src/formats/load-table.js';
import { demoRig } from '../demo-rigs.js';
import { complaintAboutDocument, complaintAboutTable, complaintAboutText } from './file-complaints.js';
import { mutatedDocument, mutatedFile, mutatedTable } from './mutated-files.js';

/** Each thing that can be read, with how it is checked. */
const READERS = [
  {
    what: 'rig files',
    check: fc.property(mutatedFile, (text) => quiet(complaintAboutText(text))),
    share: 0.6,
  },
  {
    what: 'documents of a storage',
    check: fc.property(mutatedDocument, (document) => quiet(complaintAboutDocument(document))),
    share: 0.2,
  },
  {
    what: 'load lists',
    check: fc.property(mutatedTable(loadTable(demoRig('tern'))), (table) =>
      quiet(complaintAboutTable(demoRig('tern'), table)),
    ),
    share: 0.2,
  },
] as const;

function quiet(complaint: string | undefined): void {
  if (complaint !== undefined) throw new Error(complaint);
}

const LONGEST_SHOWN = 40_000;

/** Reads so many files that were spoilt at random; throws with the smallest one that is answered badly. */
export function readSpoiltFiles(count: number, seed: number): void {
  for (const { what, check, share } of READERS) {
    const result = fc.check(check, { numRuns: Math.ceil(count * share), seed });
    if (result.failed) {
      const why = result.errorInstance instanceof Error ? result.errorInstance.message : 'it did not end';
      const smallest = fc.stringify(result.counterexample).slice(0, LONGEST_SHOWN);
      throw new Error(`${what}, seed ${seed}: ${why}\n${smallest}`);
    }
  }
}
