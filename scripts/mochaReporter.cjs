// Dots on the screen, counts in a file.
const { writeFileSync } = require('node:fs');
const { reporters } = require('mocha');

module.exports = class extends reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      const { passes, failures } = runner.stats;
      if (process.env.UNIT_REPORT)
        writeFileSync(process.env.UNIT_REPORT, JSON.stringify({ passes, failures }));
    });
  }
};
