import { faultOfLogTest, readLogTest, type LogTest } from '../logbook/log-test.js';

const LOGBOOK_FORMAT = 'heliarch-logbook';
const LOGBOOK_VERSION = 1;

/** Tests of a file: what could be read, and what of it could not, with the reason. */
export interface LogbookRead {
  readonly tests: readonly LogTest[];
  readonly unread: readonly string[];
}

/** Tests as a file of their own: one document of JSON. */
export function writeLogbookFile(tests: readonly LogTest[]): string {
  return `${JSON.stringify({ format: LOGBOOK_FORMAT, version: LOGBOOK_VERSION, tests }, null, 2)}\n`;
}

/**
 * Reads a file of tests.
 *
 * @returns Undefined where it is none, or of a newer version.
 */
export function readLogbookFile(text: string): LogbookRead | undefined {
  const { format, version, tests } = parsed(text);
  const isOurs = format === LOGBOOK_FORMAT && typeof version === 'number' && version <= LOGBOOK_VERSION;
  return isOurs && Array.isArray(tests) ? readTests(tests) : undefined;
}

/** Tests as they lie in a file, one by one: a bad one takes no other with it. */
function readTests(tests: readonly unknown[]): LogbookRead {
  const read = tests.map((each, index) => {
    const test = readLogTest(each);
    return test ? { test } : { fault: `Test ${index + 1}: ${faultOfLogTest(each) ?? 'not readable'}.` };
  });
  return {
    tests: read.flatMap((each) => each.test ?? []),
    unread: read.flatMap((each) => each.fault ?? []),
  };
}

function parsed(text: string): Readonly<Record<string, unknown>> {
  try {
    const document: unknown = JSON.parse(text);
    return typeof document === 'object' && document !== null ? (document as Record<string, unknown>) : {};
  } catch {
    return {};
  }
}
