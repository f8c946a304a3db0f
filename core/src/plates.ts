/** What is public of the core for nameplates: their text read, asked about, and put into the rig. */

export { keyOfFact, type PlateFact } from './plate/plate-fact.js';
export type { PlateAnswers, PlateQuestion } from './plate/plate-facts.js';
export { withPlateIn, type PlateInRig, type PlateList, type PlateTarget } from './plate/plate-into-rig.js';
export { sayPlate, type PlateSaid } from './plate/say-plate.js';
export { compareReadings, type ReadingsCompared } from './plate/compare-readings.js';
export type { PlateDevice } from './plate/plate-device.js';
export { suggestedCircuit } from './first-run/suggested-circuit.js';
export { TYPICAL_LOADS, type TypicalLoad } from './reference/typical-loads.js';
export { plateChangeWords } from './wording/plate-change-words.js';
export { plateQuestionWords } from './wording/plate-question-words.js';
export {
  DEVICE_NAMES,
  plateFactWords,
  plateGapWords,
  plateKeptWords,
  plateWarningWords,
} from './wording/plate-words.js';
