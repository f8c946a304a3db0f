const NUMBER_AND_UNIT = /(\d) (?=(?:VA|W|A|s|%)(?![A-Za-z]))/g;

/** Keeps a number and its unit on one line. */
export function keepTogether(text: string): string {
  return text.replace(NUMBER_AND_UNIT, '$1\u00a0');
}
