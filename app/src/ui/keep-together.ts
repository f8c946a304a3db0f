const LEG_AND_NUMBER = /\b(leg) (?=\d)/g;
const NUMBER_AND_UNIT = /(\d) (?=(?:VA|W|A|s|%|h|min)(?![A-Za-z]))/g;

/** Keeps a number and its unit, and a leg and its number, on one line. */
export function keepTogether(text: string): string {
  return text.replace(NUMBER_AND_UNIT, '$1\u00a0').replace(LEG_AND_NUMBER, '$1\u00a0');
}
