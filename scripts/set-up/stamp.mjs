import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, setUpFolder } from './paths.mjs';

/** Does a step only when what it depends on has changed since it was last done. */
export async function onceFor(name, inputs, product, step) {
  const path = join(setUpFolder, `${name}.stamp`);
  const now = hashOf(inputs);
  const isDone = existsSync(join(root, product)) && existsSync(path) && readFileSync(path, 'utf8') === now;
  if (isDone) return;
  await step();
  mkdirSync(setUpFolder, { recursive: true });
  writeFileSync(path, now);
}

/** One hash over the Node version and every file under the given paths. */
function hashOf(inputs) {
  const hash = createHash('sha256').update(process.version);
  for (const file of inputs.flatMap(filesUnder).sort())
    hash.update(file).update(readFileSync(join(root, file)));
  return hash.digest('hex');
}

function filesUnder(path) {
  const full = join(root, path);
  if (!statSync(full).isDirectory()) return [path];
  return readdirSync(full)
    .filter((name) => name !== 'node_modules' && name !== 'dist')
    .flatMap((name) => filesUnder(join(path, name)));
}
