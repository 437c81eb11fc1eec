// The tests that have to notice a mutant: those of the core, the quick ones first. Trials frozen to the last bit would
// notice anything and judge nothing, and what walks over many random chambers is too slow to be asked four hundred times.
import all from "../jest.config.mjs";

const core = all.projects.find((p) => p.displayName === "core");
const slow = ["hashes", "fuzz", "remedies", "anything", "solver"].map((name) => `${name}\\.test`);
const config = {
  ...core,
  rootDir: "..",
  testMatch: ["<rootDir>/core/**/*.test.ts"],
  testPathIgnorePatterns: [...slow, "core/recommend"],
  testSequencer: "<rootDir>/scripts/mutants.order.cjs",
};
export default config;
