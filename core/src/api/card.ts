/** Public: the card on the cupboard door: its plan, its pages, its files, what its code says. For Card and the worker. */

export { linesOf, withoutMissing, type CardItem, type CardLine, type CardPlan } from '../card/card-plan.js';
export { cardCode, cardVersion, readCardCode, type CardCode } from '../card/card-version.js';
export { itemsOff, withItemIn, withoutTogether, withTogether, type CardPlace } from '../card/card-edits.js';
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
} from '../card/card-html.js';
export { cardPage, type CardPage } from '../card/card-page.js';
export { lineWords } from '../card/card-line-words.js';
export { readKeptCards, type KeptCards, type PrintedCard } from '../card/kept-cards.js';
