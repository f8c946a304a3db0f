import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { onceFor } from './stamp.mjs';

const FOLDER = 'app/src/styles/library';
/** What comes with the page, and what with the first of its kind. */
const SHEETS = {
  first: ['button', 'radio', 'checkbox'],
  fields: ['input', 'select'],
  amounts: ['input-number'],
  tables: ['table'],
  waiting: ['spin'],
  dialogs: ['modal'],
  drawers: ['drawer'],
  uploads: ['upload'],
  alerts: ['alert'],
  steps: ['steps'],
  tabs: ['tabs'],
  progress: ['progress'],
  empty: ['empty'],
  tags: ['tag'],
  pickers: ['date-picker', 'time-picker'],
};

/** What a sheet stands on besides: icons are on every page, and what opens slides or fades. */
const ALSO = { first: ['icons'], fields: ['motion'], uploads: ['motion'], pickers: ['motion'] };

/** Writes the component library's styles in our colours, where the library or the theme has changed. */
export async function writeLibraryStyles() {
  const inputs = ['package-lock.json', 'scripts/set-up'];
  await onceFor('library-styles', inputs, `${FOLDER}/first.css`, async () => {
    const { libraryStyles } = await import('./library-theme.mjs');
    mkdirSync(join(root, FOLDER), { recursive: true });
    for (const [name, components] of Object.entries(SHEETS))
      writeFileSync(join(root, FOLDER, `${name}.css`), await libraryStyles(components, ALSO[name]));
  });
}
