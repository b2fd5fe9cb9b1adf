// Slow machines are not broken ones.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;
