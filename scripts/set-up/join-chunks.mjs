import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { chunkOf, dist, importsOf, withImports } from './chunk-imports.mjs';
import { root } from './paths.mjs';
import { roomsOfApplication } from './rooms.mjs';

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
/** What a few rooms share is worth a request of its own from here on; smaller, it goes with what more rooms need. */
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

/** The chunk that each file goes into; what comes on demand is in none. */
function groupsOf(main, files) {
  const text = new Map(files.map((file) => [file, readFileSync(join(dist, file), 'utf8')]));
  const neededBy = (component) => withImports([chunkOf(component, files)]);
  const rooms = roomsOfApplication().map((room) => [room, neededBy(room)]);
  const soon = ['soon', withImports(SOON.map((component) => chunkOf(component, files)))];
  const frame = withImports([main]);
  const users = [...rooms, soon];
  const usersOf = new Map();
  for (const file of files) {
    const by = users.filter(([, needed]) => frame.has(file) || needed.has(file)).map(([name]) => name);
    if (by.length > 0) usersOf.set(file, by.join('-'));
  }
  const all = users.map(([name]) => name).join('-');
  joinSmall(text, usersOf, all);
  return new Map([...usersOf].map(([file, by]) => [file, by === all ? 'frame' : by]));
}

/**
 * What is too small for a request of its own goes with what more rooms need, where all that it imports is needed by those
 * too: so no room loads a chunk for its sake, and no two chunks wait for each other.
 */
function joinSmall(text, usersOf, all) {
  const within = (group) => [...usersOf].flatMap(([file, by]) => (by === group ? [file] : []));
  const bytes = (group) => within(group).reduce((sum, file) => sum + text.get(file).length, 0);
  const fewestFirst = [...new Set(usersOf.values())].sort((a, b) => count(a) - count(b));
  for (const group of fewestFirst) {
    if (count(group) === 1 || group === all || bytes(group) >= WORTH_A_REQUEST_BYTES) continue;
    const files = within(group);
    const imported = files.flatMap((file) => importsOf(text.get(file)).map((each) => usersOf.get(each)));
    const wider = fewestFirst.find(
      (more) =>
        more !== group &&
        includes(more, group) &&
        within(more).length > 0 &&
        imported.every((each) => each === group || includes(each, more)),
    );
    if (wider) files.forEach((file) => usersOf.set(file, wider));
  }
}

const count = (group) => group.split('-').length;
const includes = (more, group) => group.split('-').every((user) => more.split('-').includes(user));

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
