import fc from 'fast-check';

// Slow machines are not broken ones.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 60_000;

// Property tests draw the same cases on every machine: what failed once fails again, and a clean tree stays clean.
fc.configureGlobal({ seed: 46 });
