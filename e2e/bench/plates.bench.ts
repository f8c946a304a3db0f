import { build } from 'esbuild';
import { fileURLToPath } from 'node:url';
import { inBuiltApplication } from './built-application.ts';

/**
 * How many numbers of invented plates are read right off their pictures, in the built application's own reader: right, wrong, of the
 * wrong ones those that the other reading or a question marks, and missing. What is not compared with the picture is a guess besides.
 */
const PORT = 4697;

const bundle = await build({
  entryPoints: [fileURLToPath(new URL('plates/read-them.ts', import.meta.url))],
  bundle: true,
  format: 'iife',
  platform: 'browser',
  write: false,
  logLevel: 'error',
});
await inBuiltApplication(PORT, async (browser) => {
  const page = await browser.newPage({ serviceWorkers: 'block' });
  await page.goto(`http://127.0.0.1:${PORT}/`);
  await page.evaluate(bundle.outputFiles[0]?.text ?? '');
  const lines = await page.evaluate(() =>
    (globalThis as unknown as { readThem: () => Promise<readonly string[]> }).readThem(),
  );
  console.log(lines.join('\n'));
});
