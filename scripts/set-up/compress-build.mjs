import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { root } from './paths.mjs';

const dist = join(root, 'app/dist');
const WORTH_IT = /\.(?:js|mjs|css|html|svg|json|webmanifest|wasm)$/;
/** Below, a header costs as much as is saved. */
const FROM_BYTES = 1024;
/** Eleven takes six times as long for a twentieth. */
const BROTLI_QUALITY = 9;

/** Writes each file of the build compressed beside it, so that the server only sends it. */
export function compressBuild() {
  for (const name of readdirSync(dist, { recursive: true, encoding: 'utf8' })) {
    const path = join(dist, name);
    if (!WORTH_IT.test(name) || statSync(path).size < FROM_BYTES) continue;
    const bytes = readFileSync(path);
    const params = {
      [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY,
      [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length,
    };
    writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params }));
    writeFileSync(`${path}.gz`, gzipSync(bytes));
  }
}
