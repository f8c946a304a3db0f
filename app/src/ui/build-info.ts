declare const HELIARCH_COMMIT: string | undefined;

/** Which build this is; the commit is set by scripts/set-up/build.mjs. */
const VERSION = '0.1.0';
const COMMIT = typeof HELIARCH_COMMIT === 'string' ? HELIARCH_COMMIT : 'unknown';

export const BUILD_NAME = `Heliarch ${VERSION}, commit ${COMMIT}`;
