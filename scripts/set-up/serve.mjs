import { spawn } from 'node:child_process';
import { root } from './paths.mjs';

/** Runs the server until it is stopped. */
export function serve(options) {
  const args = ['--import', '@oxc-node/core/register', 'server/src/main.ts', ...options];
  const server = spawn(process.execPath, args, { cwd: root, stdio: 'inherit' });
  const stop = () => server.kill('SIGTERM');
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  server.on('exit', (code) => {
    process.exitCode = code ?? 0;
  });
}
