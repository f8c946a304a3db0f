import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { root } from './paths.mjs';

const dist = join(root, 'app/dist');
const ROOMS = ['rig', 'loads', 'together', 'day', 'now', 'logbook', 'card'];
/** What a first visit draws right after its first words: it must not bring what only other rooms need. */
const SOON = [
  'rig-menu',
  'more-rooms',
  'notice-line',
  'caution-drawer',
  'start-staircase',
  'unfinished',
  'beside',
];
/** What a few rooms share is worth a request of its own from here on; smaller, it goes with what all of them need. */
const WORTH_A_REQUEST_BYTES = 12_000;

/**
 * Joins the hundred and eighty chunks of the build, most of them far smaller than a request costs, to one for the frame, one
 * for each room, and few for what several rooms share. What comes on demand keeps its own.
 */
export async function joinChunks() {
  // The scripts are read before the packages are there.
  const { rollup } = await import('rollup');
  const files = readdirSync(dist).filter((file) => /^(?:main|chunk)-\w+\.js$/.test(file));
  const main = files.find((file) => file.startsWith('main-'));
  const group = groupsOf(main, files);
  const bundle = await rollup({
    input: join(dist, main),
    treeshake: false,
    preserveEntrySignatures: false,
    onwarn: (warning) => {
      throw new Error(`Joining the chunks: ${warning.message}`);
    },
  });
  const { output } = await bundle.generate({
    format: 'es',
    compact: true,
    minifyInternalExports: true,
    hashCharacters: 'base36',
    entryFileNames: 'main-[hash].js',
    chunkFileNames: '[name]-[hash].js',
    sanitizeFileName: (name) => (/^chunk-\w+$/.test(name) ? 'part' : name),
    manualChunks: (id) => group.get(basename(id)),
  });
  await bundle.close();
  files.forEach((file) => rmSync(join(dist, file)));
  for (const { fileName, code } of output) writeFileSync(join(dist, fileName), code);
  writePage(output, main);
  renewManifest();
}

/**
 * The chunk that a file goes into, by the rooms that cannot be drawn without it. What is too small for a request of its own
 * goes with what more rooms need, where all that it imports is needed by those too: so no room loads a chunk for its sake,
 * and no two chunks wait for each other.
 */
function groupsOf(main, files) {
  const text = new Map(files.map((file) => [file, readFileSync(join(dist, file), 'utf8')]));
  const needed = [
    ...ROOMS.map((room) => closure(text, [fileOf(text, room)])),
    closure(
      text,
      SOON.map((part) => fileOf(text, part)),
    ),
  ];
  const frame = closure(text, [main]);
  const roomsOf = new Map();
  for (const file of files) {
    const rooms = USERS.filter((_, index) => frame.has(file) || needed[index].has(file));
    if (rooms.length > 0) roomsOf.set(file, rooms.join('-'));
  }
  const within = (rooms) => files.filter((file) => roomsOf.get(file) === rooms);
  const bytes = (rooms) => within(rooms).reduce((sum, file) => sum + text.get(file).length, 0);
  const fewestFirst = [...new Set(roomsOf.values())].sort((a, b) => count(a) - count(b));
  for (const rooms of fewestFirst) {
    if (count(rooms) === 1 || rooms === ALL || bytes(rooms) >= WORTH_A_REQUEST_BYTES) continue;
    const imported = within(rooms).flatMap((file) =>
      importsOf(text.get(file)).map((each) => roomsOf.get(each)),
    );
    const next = fewestFirst.find(
      (more) =>
        more !== rooms &&
        includes(more, rooms) &&
        within(more).length > 0 &&
        imported.every((each) => each === rooms || includes(each, more)),
    );
    if (next) within(rooms).forEach((file) => roomsOf.set(file, next));
  }
  return new Map([...roomsOf].map(([file, rooms]) => [file, rooms === ALL ? 'frame' : rooms]));
}

const USERS = [...ROOMS, 'soon'];
const ALL = USERS.join('-');
const count = (rooms) => rooms.split('-').length;
const includes = (more, rooms) => rooms.split('-').every((room) => more.split('-').includes(room));

function fileOf(text, component) {
  const found = [...text].find(([, code]) => code.includes(`selectors:[["heli-${component}"]]`));
  if (!found) throw new Error(`No chunk of the build holds the component ${component}.`);
  return found[0];
}

function closure(text, from) {
  const all = new Set(from);
  for (const file of all) importsOf(text.get(file)).forEach((imported) => all.add(imported));
  return all;
}

function importsOf(code) {
  return [...code.matchAll(/(?:from|import)"\.\/([^"]+\.js)"/g)].map(([, imported]) => imported);
}

/** The page names the frame, and the chunks it is made of, before the browser has read them. */
function writePage(output, main) {
  const entry = output.find(({ isEntry }) => isEntry);
  const preloads = entry.imports.map((file) => `<link rel="modulepreload" href="${file}">`).join('');
  const page = readFileSync(join(dist, 'index.html'), 'utf8')
    .replaceAll(/<link rel="modulepreload" href="[^"]+">/g, '')
    .replace(`<script src="${main}"`, `${preloads}<script src="${entry.fileName}"`);
  writeFileSync(join(dist, 'index.html'), page);
}

/** The service worker keeps files by what this list says of them. */
function renewManifest() {
  const { status, stderr } = spawnSync(
    process.execPath,
    ['node_modules/@angular/service-worker/ngsw-config.js', 'app/dist', 'app/ngsw-config.json', '/'],
    { cwd: root, encoding: 'utf8' },
  );
  if (status !== 0) throw new Error(`The list of the service worker: ${stderr}`);
}
