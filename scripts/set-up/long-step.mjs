import { spawn } from 'node:child_process';
import { createWriteStream, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Fault } from './fault.mjs';
import { root, setUpFolder } from './paths.mjs';

const TICK_MS = 10_000;

/** How npm and apt say that nothing answers, and that a package is not kept here either. */
const NO_NETWORK =
  /ENOTFOUND|EAI_AGAIN|ECONNREFUSED|ETIMEDOUT|ENETUNREACH|EIDLETIMEOUT|ERR_SOCKET_TIMEOUT|FETCH_ERROR|ENOTCACHED|Unable to locate package|Failed to fetch|Could not resolve|Temporary failure resolving|network timeout/i;

/**
 * Runs a command whose output nobody needs unless it fails: it goes to a log, and the seconds are
 * told so that a long wait does not look like a hang.
 */
export async function longStep(title, command, args, env = {}, folder = root) {
  mkdirSync(setUpFolder, { recursive: true });
  const logName = `${title.toLowerCase().replaceAll(/[^a-z]+/g, '-')}.log`;
  const logPath = join(setUpFolder, logName);
  const began = Date.now();
  const seconds = () => Math.round((Date.now() - began) / 1000);
  console.log(`${title} …`);
  const ticking = setInterval(() => console.log(`  still at it, ${seconds()} s`), TICK_MS);
  try {
    const exitCode = await runInto(logPath, command, args, env, folder);
    if (exitCode !== 0) throw new Fault(explain(title, readFileSync(logPath, 'utf8'), logName));
  } finally {
    clearInterval(ticking);
  }
  console.log(`  done in ${seconds()} s`);
}

function runInto(logPath, command, args, env, folder) {
  return new Promise((resolve, reject) => {
    const log = createWriteStream(logPath);
    const child = spawn(command, args, {
      cwd: folder,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    child.stdout.pipe(log, { end: false });
    child.stderr.pipe(log, { end: false });
    child.on('error', (error) =>
      reject(new Fault(`${command} cannot be run (${error.code}): install it, then try again.`)),
    );
    child.on('close', (code) => log.end(() => resolve(code)));
  });
}

function explain(title, log, logName) {
  if (log.includes('ENOSPC')) return `${title} failed: the disk is full; free some space, then try again.`;
  if (/EACCES|EPERM|EROFS/.test(log))
    return `${title} failed: this folder cannot be written; check who owns it, then try again.`;
  if (NO_NETWORK.test(log))
    return `${title} failed: where packages come from cannot be reached; check the network, then try again.`;
  return `${title} failed; .setup/${logName} says why.\n${lastLines(log)}`;
}

const LINES_SHOWN = 25;

function lastLines(log) {
  return log.trimEnd().split('\n').slice(-LINES_SHOWN).join('\n');
}
