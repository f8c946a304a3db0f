/** Something the person at the keyboard can mend; its message is one line that names the fix. */
export class Fault extends Error {}

/** Runs a script; a fault becomes one line and exit code 1, a defect keeps its stack. */
export async function runScript(script) {
  try {
    await script();
  } catch (error) {
    console.error(error instanceof Fault ? `\n${error.message}` : error);
    process.exitCode = 1;
  }
}
