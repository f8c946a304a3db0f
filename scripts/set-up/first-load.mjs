import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { root } from './paths.mjs';

/** docs/decisions/0003 says what it is made of. */
const LIMIT_KB = 300;
const BYTES_PER_KB = 1000;
const dist = join(root, 'app/dist');

/** Whether what a first visit to Together needs is small enough: page, styles, scripts; fonts aside. */
export function firstLoadFits() {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((match) => match[1]);
  const files = new Set(['index.html', ...named, roomChunk()]);
  for (const file of files) importsOf(file).forEach((imported) => files.add(imported));
  const bytes = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(join(dist, file))).length, 0);
  const kb = bytes / BYTES_PER_KB;
  const fits = kb <= LIMIT_KB;
  console.log(
    `\nFirst load with Together: ${kb.toFixed(0)} kB gzip of ${LIMIT_KB}${fits ? '' : ': too large'}`,
  );
  return fits;
}

/** The chunk of the room: the router loads it right after the start. */
function roomChunk() {
  const chunk = readdirSync(dist).find(
    (file) => file.endsWith('.js') && readFileSync(join(dist, file), 'utf8').includes('"heli-together"'),
  );
  if (!chunk) throw new Error('No chunk of the build holds the room Together.');
  return chunk;
}

/** Static imports only: what is loaded on idle or on demand is not part of the first load. */
function importsOf(file) {
  if (!file.endsWith('.js')) return [];
  const text = readFileSync(join(dist, file), 'utf8');
  return [...text.matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)].map((match) => match[1]);
}
