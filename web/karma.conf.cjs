/** Unit tests of core, contract and page, in Debian's Chromium. */
process.env.CHROME_BIN ??= '/usr/bin/chromium';

module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    client: { jasmine: { random: true, timeoutInterval: 120000 }, clearContext: false },
    reporters: ['dots'],
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
    browserNoActivityTimeout: 240000,
    pingTimeout: 240000,
    restartOnFileChange: false,
  });
};
