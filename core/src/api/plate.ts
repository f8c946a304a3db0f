/** Public: nameplates: their text read, asked about, put into the rig. Apart, for it is loaded with the first plate. */

export { keyOfFact, type PlateFact } from '../plate/read/plate-fact.js';
export type { PlateAnswers } from '../plate/read/plate-facts.js';
export { withPlateIn, type PlateInRig, type PlateList, type PlateTarget } from '../plate/plate-into-rig.js';
export { sayPlate, type PlateSaid } from '../plate/say-plate.js';
export { compareReadings } from '../plate/read/compare-readings.js';
export { suggestedCircuit } from '../first-run/suggested-circuit.js';
export { TYPICAL_LOADS, type TypicalLoad } from '../reference/typical-loads.js';
export { plateChangeWords } from '../plate/plate-change-words.js';
export { plateQuestionWords } from '../plate/plate-question-words.js';
export {
  DEVICE_NAMES,
  plateFactWords,
  plateGapWords,
  plateKeptWords,
  plateWarningWords,
} from '../plate/plate-words.js';
