/** What is public of the core for the card on the cupboard door: its plan, its pages, its files, and what its code says. */

export {
  linesOf,
  withoutMissing,
  type CardItem,
  type CardLine,
  type CardPlan,
  type CardSlots,
} from './card/card-plan.js';
export { cardCode, cardVersion, readCardCode, type CardCode } from './card/card-version.js';
export { itemsOff, withItemIn, withoutTogether, withTogether, type CardPlace } from './card/card-edits.js';
export {
  CARD_PAPERS,
  cardDocument,
  cardMarkup,
  cardStyle,
  letterSizePt,
  PAPER_MM,
  type CardLook,
  type CardPaper,
  type CodePicture,
} from './formats/card-html.js';
export { cardPage, type CardPage } from './wording/card-page.js';
export { lineWords } from './wording/card-line-words.js';
export { readKeptCards, type KeptCards, type PrintedCard } from './card/kept-cards.js';
