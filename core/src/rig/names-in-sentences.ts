/**
 * A load's name inside a sentence.
 *
 * @example
 * theLoad('Roof air conditioner'); // 'the roof air conditioner'
 */
export function theLoad(name: string): string {
  return `the ${inSentence(name)}`;
}

/** A part of the system inside a sentence; one with a number of its own is called by it, without an article. */
export function theElement(name: string): string {
  return /^\S+ \d+(,|$)/u.test(name) ? name : theLoad(name);
}

/** A name that begins with a word, not an acronym, begins small inside a sentence. */
export function inSentence(name: string): string {
  const isWord = /^.[^A-Z]/u.test(name);
  return isWord ? `${name.slice(0, 1).toLowerCase()}${name.slice(1)}` : name;
}
