#!/usr/bin/env node
import '@oxc-node/core/register';

const { run } = await import('../src/run.ts');
process.exitCode = await run(process.argv.slice(2), {
  out: (text) => process.stdout.write(text),
  err: (text) => process.stderr.write(text),
});
