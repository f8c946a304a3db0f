/** Public: a rig, its entries, edits and file. In the first load; any room, storage, the command line. */

export { LOAD_FAMILIES, kindOfPart, type LoadFamily, type PartKind } from '../reference/kinds-of-parts.js';
export { CHEMISTRIES, type Chemistry } from '../reference/batteries.js';
export { sourceWords } from '../reference/provenance.js';
export { dcWatts, lossCurveOf } from '../supply/efficiency-curve.js';
export { partNumber } from '../loads/part-numbers.js';
export { sourceTest, type SourceTest } from '../supply/source-test.js';
export { startSizeOf } from '../loads/start/start-size.js';
export { runningPowerFactor, runningPowerOf } from '../loads/running-power.js';
export { ceilingsOf, type Ceiling } from '../supply/surge-tiers.js';
export { systemOfLoad, type SystemOfLoad } from '../loads/voltage-of-load.js';
export { halfWidthsOf, type QuantityRole } from '../rig-file/half-widths.js';
export { valueAt, withValueAt } from '../rig-file/document-path.js';
export { fieldName } from '../rig-file/field-names.js';
export {
  withArrivalTest,
  withCharge,
  withKnown,
  withLoad,
  withPartNumber,
  withRunningFrom,
  withOnly,
  withoutHabits,
  withoutHolding,
  withStartMoved,
  withState,
  withSupply,
  type PartNumber,
} from '../rig/edits.js';
export { followersOf, leaderOf, withFollowersOf } from '../rig/followers.js';
export { describeProblem, type RigProblem } from '../rig-file/problems.js';
export type {
  Battery,
  Bus,
  Circuit,
  Converter,
  Day,
  Job,
  Load,
  Part,
  Placement,
  Rig,
  Scene,
  Source,
  StartFrom,
  Supply,
} from '../rig-file/schema.js';
export { validateRig, type Validation } from '../rig-file/validate.js';
export { loadOf } from '../rig/lookup.js';
export { theLoad } from '../rig/names-in-sentences.js';
export { wattsCounted } from '../loads/watts-counted.js';
export {
  LARGEST_FILE_BYTES,
  problemLines,
  readRigDocument,
  readRigFile,
  writeRigFile,
} from '../formats/rig-file.js';
export { loadSummary, type LoadSummary } from '../loads/load-summary.js';
export { freeId, freeName } from '../rig-file/free-names.js';
export { choiceWords } from '../rig/choice-words.js';
export { ENTRY_WORDS, entriesOf, type Entry, type EntryList } from '../rig/entry-lists.js';
export { changedLoads, withCopy, withEntry, withLoadsOn, withoutEntry, withoutPart } from '../rig/entries.js';
