// A reporter for Jasmine in Node: a dot a spec, every failure with its place, and the counts
// written where the test command looks for them.
import { writeFileSync } from 'node:fs';

export default class Tally {
  passed = 0;
  failures = [];
  longest = [];

  jasmineStarted() {
    // A limit is for what hangs, not for what is slow on a machine that does other things.
    jasmine.DEFAULT_TIMEOUT_INTERVAL = Math.max(jasmine.DEFAULT_TIMEOUT_INTERVAL, 60_000);
  }

  specDone({ status, fullName, failedExpectations, duration }) {
    this.longest = [...this.longest, { fullName, duration }]
      .sort((a, b) => b.duration - a.duration)
      .slice(0, 5);
    if (status === 'passed') this.passed += 1;
    if (status === 'failed') this.failures.push({ fullName, failedExpectations });
    process.stdout.write(status === 'passed' ? '.' : status === 'failed' ? 'F' : '-');
  }

  suiteDone({ fullName, failedExpectations }) {
    if (failedExpectations.length > 0) this.failures.push({ fullName, failedExpectations });
  }

  jasmineDone({ failedExpectations, order }) {
    if (failedExpectations.length > 0) this.failures.push({ fullName: 'the run itself', failedExpectations });
    process.stdout.write('\n');
    for (const { fullName, failedExpectations: wrong } of this.failures) {
      process.stdout.write(`\nFAILED ${fullName}\n`);
      for (const { message, stack } of wrong)
        process.stdout.write(`  ${message}\n${stack.replace(/^/gm, '    ')}\n`);
    }
    // Where the time of a part goes, to be looked at before it is given more.
    for (const { fullName, duration } of this.longest.filter((one) => one.duration > 1_000))
      process.stdout.write(`  ${(duration / 1_000).toFixed(1)} s  ${fullName}\n`);
    process.stdout.write(`${this.passed} passed, ${this.failures.length} failed (seed ${order?.seed})\n`);
    if (process.env.TALLY_FILE)
      writeFileSync(
        process.env.TALLY_FILE,
        JSON.stringify({ passed: this.passed, failed: this.failures.length }),
      );
  }
}
