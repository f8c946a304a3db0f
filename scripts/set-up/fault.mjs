/** Something the person at the keyboard can mend; its message is one line that names the fix. */
export class Fault extends Error {}

/** Runs a script; a fault becomes one line and exit code 1, a defect keeps its stack. */
export async function runScript(script) {
  try {
    await script();
  } catch (error) {
    const line = error instanceof Fault ? error.message : lineFor(error);
    console.error(line === undefined ? error : `\n${line}`);
    process.exitCode = 1;
  }
}

/** What the disk refuses is no defect of ours; undefined for anything else. */
function lineFor({ code, path = 'this folder' }) {
  switch (code) {
    case 'ENOSPC':
    case 'EDQUOT':
      return `The disk is full at ${path}: free some space, then try again.`;
    case 'EACCES':
    case 'EPERM':
    case 'EROFS':
      return `${path} cannot be written: check who owns it, or copy the project to a folder of your own.`;
    default:
      return undefined;
  }
}
