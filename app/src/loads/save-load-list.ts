import type { Rig } from '@heliarch/core/rig';
import { loadTable } from '@heliarch/core/describe';
import { unparse } from 'papaparse';
import { saveBlob } from '../storage/rig-files';

/** The list for a spreadsheet; what it would run as a formula is set in an apostrophe. */
export function saveLoadList(rig: Rig): void {
  const text = unparse(loadTable(rig) as string[][], { escapeFormulae: true, newline: '\r\n' });
  saveBlob(`${rig.id}-loads.csv`, new Blob([`${text}\r\n`], { type: 'text/csv;charset=utf-8' }));
}
