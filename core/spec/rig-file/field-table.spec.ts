import { choiceWords } from '../../src/rig/choice-words.js';
import { FIELD_HELP, helpOf } from '../../src/rig-file/help/field-help.js';
import { valueAt, withValueAt } from '../../src/rig-file/document-path.js';
import { allFields, fieldAt } from '../../src/rig-file/field-table.js';
import { validateRig } from '../../src/rig-file/validate.js';
import { DEMO_NAMES, demoRig } from '../demo-rigs.js';

describe('the field table as a form reads it', () => {
  it('gives every field its kind, label and unit by its place', () => {
    expect(fieldAt('loads[3].parts[0].runningW')).toEqual(
      jasmine.objectContaining({ kind: 'quantity', label: 'running power', unit: 'W', isRequired: false }),
    );
    expect(fieldAt('circuits[0].protection').kind).toBe('group');
    expect(fieldAt('circuits[0].protection').isRequired).toBe(true);
    expect(fieldAt('batteries[0].fuse').isRequired).toBe(false);
    expect(fieldAt('loads[0].states[1].parts[0].part').refersWithin).toBe('parts');
    expect(fieldAt('supplies[0].sources')).toEqual(
      jasmine.objectContaining({ kind: 'references', refersTo: 'sources' }),
    );
    expect(() => fieldAt('loads[0].colour')).toThrowError(RangeError);
  });

  it('has help for every field, and none for what is no field', () => {
    const paths = allFields().map(({ path }) => path);
    expect(paths.filter((path) => helpOf(path) === undefined)).toEqual([]);
    expect(Object.keys(FIELD_HELP).filter((path) => !paths.includes(path))).toEqual([]);
  });

  it('knows every field of the demo rigs: the form can show whatever they hold', () => {
    const known = new Set(allFields().map(({ path }) => path));
    const quantityParts = /\.(value|basis|minus|plus|commonCause|readings|source|note)$/;
    for (const name of DEMO_NAMES) {
      const unknown = placesIn(demoRig(name), '').filter(
        // A test is read by the logbook, and has no form among those of the rig.
        (path) => !known.has(path) && !quantityParts.test(path) && !path.startsWith('logbook[]'),
      );
      expect(unknown).withContext(name).toEqual([]);
    }
  });

  it('knows what must be there: without it the file is refused, and the message names it', () => {
    const tern = demoRig('tern');
    const first = (path: string): string => path.replaceAll('[]', '[0]');
    const present = allFields().filter(({ path }) => valueAt(tern, first(path)) !== undefined);
    // An entry that is left empty goes as a whole, so a tick without its load is no tick.
    const required = present.filter(({ isRequired, path }) => isRequired && path !== 'scenes[].on[].load');
    expect(required.length).toBeGreaterThan(40);
    for (const { path } of required) {
      const read = validateRig(withValueAt(tern, first(path), undefined));
      expect(read.ok).withContext(path).toBe(false);
    }
  });

  it('says options in words, and never an id with its dashes', () => {
    const options = allFields().flatMap((field) => field.options);
    expect(options.map(choiceWords).filter((words) => /[a-z]-[a-z]+-/.test(words))).toEqual([]);
    expect(choiceWords('by-itself')).toBe('starts by itself');
  });
});

/** The places of all that a document holds, with `[]` for any index; lists of plain ids end at the list. */
function placesIn(value: unknown, path: string): readonly string[] {
  if (Array.isArray(value))
    return value.flatMap((each) => (typeof each === 'object' ? placesIn(each, `${path}[]`) : []));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, child]) => {
    const at = path === '' ? key : `${path}.${key}`;
    return [at, ...placesIn(child, at)];
  });
}
