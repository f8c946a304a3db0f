/** Names of browser and Dexie errors, in the words of a person. */
const REASONS: Record<string, string> = {
  QuotaExceededError: 'Its storage is full: free some space, or save to a file.',
  MissingAPIError: 'It has no storage for pages; a private window often has none.',
  OpenFailedError: 'Its storage cannot be opened; a private window or a setting may block it.',
  DatabaseClosedError: 'Its storage was closed; reload the page to try again.',
  InvalidStateError: 'Its storage cannot be opened; a private window or a setting may block it.',
  SecurityError: 'A setting of this browser blocks storage for this page.',
  UnknownError: 'Its storage does not answer; restart the browser to try again.',
};

/** Why the browser keeps nothing, as a sentence. */
export function whyNotKept(error: unknown): string {
  for (let cause: unknown = error; cause instanceof Error; cause = innerOf(cause)) {
    const reason = REASONS[cause.name];
    if (reason) return reason;
  }
  return error instanceof Error ? error.message : String(error);
}

/** Dexie wraps what the browser said. */
const innerOf = (error: Error): unknown => (error as { inner?: unknown }).inner ?? error.cause;
