/** Public: help, kinds, usual values and contradictions, for whoever describes a rig. Apart, for only Rig and Loads load it. */

export { judgeStart } from '../loads/start/start-test.js';
export { START_FAULT_WORDS } from '../loads/start/start-test-words.js';
export { typicalAt } from '../outlook/typical-values.js';
export { wireTablesOf } from '../protection/wire-tables.js';
export { TYPICAL_LOADS_SOURCE, type TypicalLoad } from '../reference/typical-loads.js';
export { helpOf } from '../rig-file/help/field-help.js';
export type { FirstAnswers, FirstCharger, FirstPlace } from '../first-run/answers.js';
export { findKinds } from '../first-run/find-kinds.js';
export { loadOfKind, suggestedPlace } from '../first-run/loads-from-answers.js';
export { MAINS, type MainsId } from '../first-run/mains.js';
export { rigFromAnswers } from '../first-run/rig-from-answers.js';
export { fieldAt, topFields, withoutIndexes, type Field } from '../rig-file/field-table.js';
export { newEntry, plainLoad, usualCurve } from '../rig/new-entries.js';
export { contradictionsOf, type Contradiction } from '../rig/contradictions.js';
export { unknownFieldsOf } from '../rig-file/unknown-fields.js';
export type { RigCheck } from '../outlook/rig-checks/rig-check.js';
export { rigChecksOf } from '../outlook/rig-checks/rig-checks.js';
export { NO_PIECES, joined, piecesOf, withPiece } from '../formats/qr-codes.js';
export { loadTable, readLoadTable, type LoadLine } from '../formats/load-table.js';
export { leftBeside, supplyCarries } from '../outlook/supply/supply-carries.js';
export { countDoubts } from '../outlook/settling/worth-looking-up.js';
export { worthLookingUpWords } from '../outlook/settling/worth-looking-up-words.js';
