// The place where mutants are tried: the first test that fails ends it, for a mutant that is noticed is noticed.
const { TestEnvironment } = require("jest-environment-node");

module.exports = class extends TestEnvironment {
  handleTestEvent({ name }) {
    if (["test_fn_failure", "hook_failure", "error"].includes(name)) process.exit(1);
  }
};
