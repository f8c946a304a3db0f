/** What is public of the core for estimates of heat: how long something takes to cook, how a room cycles its cooling. */

export { boilingPointC, cookingTime, type Cooking } from './heat/cooking.js';
export { precooling, roomCycle, type Cabin, type RatedUnit, type RoomWeather } from './heat/room.js';
export {
  COOKING_EFFICIENCY,
  COOKING_NAMES,
  type CookingAppliance,
  type Heated,
} from './reference/cooking.js';
export {
  PERSON_W,
  ROOM_SIZES,
  THERMOSTAT_BAND_K,
  USUAL_COOLING_PER_W,
  USUAL_ROOM,
  type RoomSize,
} from './reference/rooms.js';
