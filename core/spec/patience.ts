/** A machine that is busy with other things is slow, not wrong. */
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
