/** Public: how long something takes to cook, how a cabin cycles its cooling. Apart, for only those two sheets load it. */

export { boilingPointC, cookingTime, type Cooking } from '../loads/heat/cooking.js';
export { precooling, roomCycle, type Cabin, type RatedUnit, type RoomWeather } from '../loads/heat/cabin.js';
export {
  COOKING_EFFICIENCY,
  COOKING_NAMES,
  type CookingAppliance,
  type Heated,
} from '../reference/cooking.js';
export {
  PERSON_W,
  ROOM_SIZES,
  THERMOSTAT_BAND_K,
  USUAL_COOLING_PER_W,
  USUAL_ROOM,
  type RoomSize,
} from '../reference/rooms.js';
