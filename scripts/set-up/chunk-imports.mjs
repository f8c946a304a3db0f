import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';

/** Where the build is. */
export const dist = join(root, 'app/dist');

/** The chunks that code imports before it runs: what is loaded on idle or on demand is not among them. */
export function importsOf(code) {
  return [...code.matchAll(/(?:from|import)["']\.\/([^"']+\.js)["']/g)].map(([, imported]) => imported);
}

/** Files of the build, and all that those need before they run. */
export function withImports(files) {
  const all = new Set(files);
  for (const file of all)
    if (file.endsWith('.js'))
      importsOf(readFileSync(join(dist, file), 'utf8')).forEach((imported) => all.add(imported));
  return all;
}

/** The one of some chunks that holds a component of ours. */
export function chunkOf(component, files) {
  const holds = (file) =>
    readFileSync(join(dist, file), 'utf8').includes(`selectors:[["heli-${component}"]]`);
  const chunk = files.find((file) => file.endsWith('.js') && holds(file));
  if (!chunk) throw new Error(`No chunk of the build holds the component ${component}.`);
  return chunk;
}
