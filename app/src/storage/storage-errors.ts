import type { FoundRig } from './stored-rig';

/** Another tab saved the same rig in between: nothing was overwritten. */
export class SavedElsewhere extends Error {
  constructor(readonly theirs: FoundRig) {
    super('Another tab has saved this rig in between.');
  }
}

/** Another tab deleted the rig in between: it is not brought back unasked. */
export class DeletedElsewhere extends Error {
  constructor() {
    super('Another tab has deleted this rig in between.');
  }
}

/** The storage has a rig of that id. */
export class IdTaken extends Error {
  constructor(readonly found: FoundRig) {
    super('This browser keeps a rig of that id.');
  }
}

/** A newer build has changed how rigs are kept. */
export class NewerStorage extends Error {
  override readonly name = 'NewerStorage';
}

/** Names of browser and Dexie errors, in the words of a person. */
const REASONS: Record<string, string> = {
  QuotaExceededError: 'Its storage is full: free some space, or save to a file.',
  MissingAPIError: 'It has no storage for pages; a private window often has none.',
  OpenFailedError: 'Its storage cannot be opened; a private window or a setting may block it.',
  DatabaseClosedError: 'Its storage was closed; reload the page to try again.',
  InvalidStateError: 'Its storage cannot be opened; a private window or a setting may block it.',
  SecurityError: 'A setting of this browser blocks storage for this page.',
  UnknownError: 'Its storage does not answer; restart the browser to try again.',
  NewerStorage: 'Its rigs were last kept by a newer Heliarch: reload the page to get that one.',
};

/** Why the browser keeps nothing, as a sentence. */
export function whyNotKept(error: unknown): string {
  for (let cause: unknown = error; cause instanceof Error; cause = innerOf(cause)) {
    const reason = Object.hasOwn(REASONS, cause.name) ? REASONS[cause.name] : undefined;
    if (reason) return reason;
  }
  return error instanceof Error ? error.message : String(error);
}

/** Dexie wraps what the browser said. */
const innerOf = (error: Error): unknown => (error as { inner?: unknown }).inner ?? error.cause;
