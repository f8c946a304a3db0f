import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { root } from './paths.mjs';
import { FIRST_ROOM, roomsOfApplication } from './rooms.mjs';

/** docs/decisions/0003, 0008 and 0017 say what it is made of. */
const LIMIT_KB = 308;
/** What a further room may bring beyond the first load. */
const ROOM_LIMIT_KB = 180;
const BYTES_PER_KB = 1000;
const dist = join(root, 'app/dist');

/** Whether what a first visit to Together needs is small enough, and what each further room adds: fonts aside. */
export function firstLoadFits() {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((match) => match[1]);
  const first = withImports(['index.html', ...named, chunkOf(FIRST_ROOM)]);
  const parts = [
    ['First load with Together', kb(first), LIMIT_KB],
    ...roomsOfApplication()
      .filter((room) => room !== FIRST_ROOM)
      .map((room) => {
        const added = [...withImports([chunkOf(room)])].filter((file) => !first.has(file));
        return [`The room ${room} beyond it`, kb(added), ROOM_LIMIT_KB];
      }),
  ];
  for (const [what, size, limit] of parts)
    console.log(`\n${what}: ${size.toFixed(0)} kB gzip of ${limit}${size <= limit ? '' : ': too large'}`);
  return parts.every(([, size, limit]) => size <= limit);
}

function kb(files) {
  const bytes = [...files].reduce((sum, file) => sum + gzipSync(readFileSync(join(dist, file))).length, 0);
  return bytes / BYTES_PER_KB;
}

/** The chunk of a room, which the router loads. */
function chunkOf(room) {
  const chunk = readdirSync(dist).find(
    (file) => file.endsWith('.js') && readFileSync(join(dist, file), 'utf8').includes(`"heli-${room}"`),
  );
  if (!chunk) throw new Error(`No chunk of the build holds the room ${room}.`);
  return chunk;
}

function withImports(files) {
  const all = new Set(files);
  for (const file of all) importsOf(file).forEach((imported) => all.add(imported));
  return all;
}

/** Static imports only: what is loaded on idle or on demand is not part of the first load. */
function importsOf(file) {
  if (!file.endsWith('.js')) return [];
  const text = readFileSync(join(dist, file), 'utf8');
  return [...text.matchAll(/(?:from|import)["']\.\/([^"']+\.js)["']/g)].map((match) => match[1]);
}
