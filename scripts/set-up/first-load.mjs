import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { chunkOf, dist, withImports } from './chunk-imports.mjs';
import { FIRST_ROOM, roomsOfApplication } from './rooms.mjs';

/** docs/decisions/0003, 0008 and 0017 say what it is made of. */
const LIMIT_KB = 308;
/** What a further room may bring beyond the first load. */
const ROOM_LIMIT_KB = 180;
const BYTES_PER_KB = 1000;

/** Whether what a first visit to Together needs is small enough, and what each further room adds: fonts aside. */
export function firstLoadFits() {
  const page = readFileSync(join(dist, 'index.html'), 'utf8');
  const files = readdirSync(dist);
  const named = [...page.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((match) => match[1]);
  const first = withImports(['index.html', ...named, chunkOf(FIRST_ROOM, files)]);
  const parts = [
    ['First load with Together', kb(first), LIMIT_KB],
    ...roomsOfApplication()
      .filter((room) => room !== FIRST_ROOM)
      .map((room) => {
        const added = [...withImports([chunkOf(room, files)])].filter((file) => !first.has(file));
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
