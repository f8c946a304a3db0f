import { isDeepStrictEqual } from 'node:util';
import { readLoadTable } from '../../src/formats/load-table.js';
import { problemLines, readRigDocument, readRigFile, writeRigFile } from '../../src/formats/rig-file.js';
import { loadTable } from '../../src/formats/load-table.js';
import type { Rig } from '../../src/rig-file/schema.js';
import { validateRig } from '../../src/rig-file/validate.js';

/** Wording of the libraries beneath, which names neither the field nor the fix. */
const LIBRARY_WORDS =
  /`|cannot be null|trimmed|must be defined|\bthis\b (must|cannot|field)|NaN|undefined|\[object/;
const NAMES_A_FIX =
  /\b(add|must|give|use|choose|remove|take|leave|shorten|update|measure|lower|correct|save)\b/;

/** What is wrong with how the reader answers a text; undefined where nothing is. */
export function complaintAboutText(text: string): string | undefined {
  const read = readRigFile(text);
  if (!read.ok) return complaintAboutLines(problemLines(read.problems));
  const document: unknown = JSON.parse(text.replace(/^\uFEFF/, ''));
  return complaintAboutRoundTrip(document, read.value);
}

/** The same for a value as a browser's storage may give it back. */
export function complaintAboutDocument(document: unknown): string | undefined {
  const read = readRigDocument(document);
  return read.ok
    ? complaintAboutRoundTrip(document, read.value)
    : complaintAboutLines(problemLines(read.problems));
}

function complaintAboutRoundTrip(document: unknown, rig: Rig): string | undefined {
  const text = writeRigFile(rig);
  const again = readRigFile(text);
  if (!again.ok) return `what was written is refused: ${problemLines(again.problems).join(' ')}`;
  if (writeRigFile(again.value) !== text) return 'writing again writes something else';
  const { version: _before, ...kept } = JSON.parse(text) as Rig;
  const { version: _now, ...given } = JSON.parse(JSON.stringify(document)) as Rig;
  return isDeepStrictEqual(kept, given) ? undefined : 'a round trip changed something';
}

function complaintAboutLines(lines: readonly string[]): string | undefined {
  if (lines.length === 0) return 'refused without a reason';
  // What the file itself says stands in quotes.
  const bad = lines.find(
    (line) =>
      LIBRARY_WORDS.test(line.replace(/"(\\.|[^"])*"/g, '')) ||
      !NAMES_A_FIX.test(line) ||
      !/^("|[A-Z]).*\.$/s.test(line),
  );
  return bad === undefined ? undefined : `unclear: ${bad}`;
}

/** What is wrong with how a load list is brought in; undefined where nothing is. */
export function complaintAboutTable(rig: Rig, table: readonly (readonly string[])[]): string | undefined {
  const result = readLoadTable('point', rig, table);
  if (result.fault !== undefined) return complaintAboutLines([result.fault]);
  if (!validateRig(result.rig).ok) return 'what was brought in is no rig';
  const leftOut = result.lines.filter(({ becomes }) => becomes === 'left-out');
  const silent = leftOut.find(({ problems }) => problems.length === 0);
  if (silent) return `line ${silent.line} is left out without a reason`;
  const isBlank = (cells: readonly string[]): boolean => cells.every((cell) => cell.trim() === '');
  if (result.lines.length !== table.slice(1).filter((cells) => !isBlank(cells)).length)
    return 'a line is not told of';
  const again = readLoadTable('point', result.rig, loadTable(result.rig));
  if (!isDeepStrictEqual(again.rig, result.rig)) return 'bringing its own list in again changes it';
  return leftOut.length === 0
    ? undefined
    : complaintAboutLines(
        leftOut.flatMap(({ problems }) => problems.map((each) => each.replace(/\.?$/, '.'))),
      );
}
