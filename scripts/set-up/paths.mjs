import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../..', import.meta.url));
/** Stamps and logs of the set-up; never committed. */
export const setUpFolder = fileURLToPath(new URL('../../.setup', import.meta.url));
