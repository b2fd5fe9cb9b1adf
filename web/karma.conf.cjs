/** Unit tests of core, contract, calendar, cli and page, in Debian's Chromium. */
const { mkdirSync, writeFileSync } = require('node:fs');
const { join } = require('node:path');

process.env.CHROME_BIN ??= '/usr/bin/chromium';

/** Property tests whole, or a sample of each. */
const deep = process.env.OAT_CROCK_DEEP === '1';
const REPORT = join(__dirname, '..', 'test-results', 'karma.json');

/** Writes down how long each test took, for the list of the slowest: [{ name, ms }]. */
function DurationReporter() {
  const took = [];
  this.onSpecComplete = (_browser, { suite, description, time, skipped }) => {
    if (!skipped) took.push({ name: [...suite, description].join(' '), ms: time });
  };
  this.onRunComplete = () => {
    mkdirSync(join(REPORT, '..'), { recursive: true });
    writeFileSync(REPORT, JSON.stringify(took));
  };
}

module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [
      require('karma-jasmine'),
      require('karma-chrome-launcher'),
      { 'reporter:duration': ['type', DurationReporter] },
    ],
    client: {
      jasmine: { random: true, timeoutInterval: deep ? 1200000 : 120000 },
      clearContext: false,
      deep,
    },
    reporters: ['dots', 'duration'],
    browsers: ['Headless'],
    customLaunchers: {
      Headless: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-dev-shm-usage',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          '--no-first-run',
        ],
      },
    },
    browserNoActivityTimeout: deep ? 1200000 : 240000,
    pingTimeout: 240000,
    restartOnFileChange: false,
  });
};
