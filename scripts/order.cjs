// The long files of tests first: begun last, one of them would run on alone while the other cores idle. Jest knows how
// long a file took only after a first run, which a clean clone never had.
const { default: Sequencer } = require("@jest/test-sequencer");
const { statSync } = require("node:fs");

const long = ["remedies", "recommend/", "solver", "hashes", "trial/boxes", "trial/stages", "verdict/"];
const rank = ({ path }) => {
  const at = long.findIndex((name) => path.includes(name));
  return at < 0 ? long.length : at;
};

module.exports = class extends Sequencer {
  sort(tests) {
    return [...tests].sort((a, b) => rank(a) - rank(b) || statSync(b.path).size - statSync(a.path).size);
  }
};
