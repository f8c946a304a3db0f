/**
 * What is public of the core for describing a rig: kinds, usual values, help, contradictions, lists. Apart from the
 * answers, for a bundler does not split what comes through one index.
 */

export { START_FAULT_WORDS, judgeStart } from './electrical/start-test.js';
export { typicalAt } from './electrical/typical-values.js';
export { wireTablesOf } from './electrical/wire-tables.js';
export { TYPICAL_LOADS_SOURCE, type TypicalLoad } from './reference/typical-loads.js';
export { helpOf } from './rig/field-help.js';
export type { FirstAnswers, FirstCharger, FirstPlace } from './first-run/answers.js';
export { findKinds } from './first-run/find-kinds.js';
export { loadOfKind, suggestedPlace } from './first-run/loads-from-answers.js';
export { MAINS, type MainsId } from './first-run/mains.js';
export { rigFromAnswers } from './first-run/rig-from-answers.js';
export { fieldAt, topFields, withoutIndexes, type Field } from './rig/field-table.js';
export { newEntry, plainLoad, usualCurve } from './rig/new-entries.js';
export { contradictionsOf, type Contradiction } from './rig/contradictions.js';
export { unknownFieldsOf } from './rig/unknown-fields.js';
export type { RigCheck } from './answers/rig-checks/rig-check.js';
export { rigChecksOf } from './answers/rig-checks/rig-checks.js';
export { NO_PIECES, joined, piecesOf, withPiece } from './formats/qr-codes.js';
export { loadTable, readLoadTable, type LoadLine } from './formats/load-table.js';
export { leftBeside, supplyCarries } from './answers/supply-carries.js';
export { countDoubts } from './answers/worth-looking-up.js';
export { worthLookingUpWords } from './wording/worth-looking-up-words.js';
