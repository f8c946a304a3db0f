// Waiting asserts no speed: on a busy machine a process may take many times its usual while to start.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 180_000;
