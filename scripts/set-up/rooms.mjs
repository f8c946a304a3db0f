import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';

/** The room that an empty address opens. */
export const FIRST_ROOM = 'together';

/** The rooms of the application, by the paths of its routes; each is a component of that name. */
export function roomsOfApplication() {
  const routes = readFileSync(join(root, 'app/src/shell/rooms.ts'), 'utf8');
  return [...routes.matchAll(/^\s+path: '(\w+)'/gm)].map(([, path]) => path);
}
