import { array, number, object, string } from 'yup';
import type { CardPlan } from './card-plan.js';

const item = object({ load: string().required(), state: string().optional() });

const plan = object({
  supply: string().required(),
  always: array(item).required(),
  oneAtATime: array(item).required(),
  together: array(array(array(item).required()).required()).required(),
  orders: array(object({ first: item.required(), then: item.required() })).required(),
  never: array(item).required(),
});

const printed = object({
  atS: number().required(),
  version: string().required(),
  plans: array(plan).required(),
});

const keptSchema = object({
  /** Plans that were changed by hand, one for a supply. */
  plans: array(plan).required(),
  /** Whom the household asks. */
  ask: string().default('').defined(),
  /** What was printed, the newest last. */
  printed: array(printed).required(),
})
  .default(undefined)
  .required();

/** What is kept of the cards of a rig, in this browser. */
export interface KeptCards {
  readonly plans: readonly CardPlan[];
  readonly ask: string;
  readonly printed: readonly PrintedCard[];
}

/** A card as it was printed. */
export interface PrintedCard {
  /** Seconds since 1970. */
  readonly atS: number;
  readonly version: string;
  readonly plans: readonly CardPlan[];
}

const NOTHING_KEPT: KeptCards = { plans: [], ask: '', printed: [] };

/** What was kept; nothing where nothing was, or where it cannot be read. */
export function readKeptCards(kept: unknown): KeptCards {
  return keptSchema.isValidSync(kept) ? keptSchema.cast(kept) : NOTHING_KEPT;
}
