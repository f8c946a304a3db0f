/** Public: how long something takes to cook, how a cabin cycles its cooling. Apart, for only those two sheets load it. */

export { boilingPointC, cookingTime } from '../loads/heat/cooking.js';
export { precooling, cabinCycle } from '../loads/heat/cabin.js';
export { COOKING_NAMES, type CookingAppliance, type Heated } from '../reference/cooking.js';
export {
  PERSON_W,
  CABIN_SIZES,
  THERMOSTAT_BAND_K,
  USUAL_COOLING_PER_W,
  USUAL_CABIN,
  type CabinSize,
} from '../reference/cabins.js';
