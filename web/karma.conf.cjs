module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [
      require('karma-jasmine'),
      require('karma-chrome-launcher'),
      { 'reporter:tally': ['type', Tally] },
    ],
    reporters: ['dots', 'tally'],
    browsers: ['Headless'],
    customLaunchers: {
      Headless: {
        base: 'ChromiumHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
        ],
      },
    },
    // A limit is for what hangs, not for what is slow on a machine that does other things.
    client: { jasmine: { random: true, timeoutInterval: 60_000 } },
    browserNoActivityTimeout: 120_000,
    // A spec that computes for seconds answers no ping meanwhile; that is no lost browser.
    pingTimeout: 120_000,
    browserDisconnectTimeout: 60_000,
    restartOnFileChange: false,
  });

/** Writes how many specs passed and failed where the test command looks for it. */
function Tally() {
  this.onRunComplete = (_browsers, { success, failed, error }) => {
    if (process.env.TALLY_FILE)
      require('node:fs').writeFileSync(
        process.env.TALLY_FILE,
        JSON.stringify({ passed: success, failed: failed + (error && failed === 0 ? 1 : 0) }),
      );
  };
}
