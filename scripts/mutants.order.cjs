// Short files of tests first: most mutants are noticed by the first of them.
const { default: Sequencer } = require("@jest/test-sequencer");
const { statSync } = require("node:fs");

module.exports = class extends Sequencer {
  sort(tests) {
    const long = (t) => (/trial|verdict/.test(t.path) ? 1e6 : 0) + statSync(t.path).size;
    return [...tests].sort((a, b) => long(a) - long(b));
  }
};
