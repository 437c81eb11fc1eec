// How the unit tests are asked to notice a mutant: all of the core's in one file of Jest's, which compiles the inner
// loop once, and an end at the first that fails.
import all from "../jest.config.mjs";

const core = all.projects.find((p) => p.displayName === "core");
const config = {
  ...core,
  rootDir: "..",
  testEnvironment: "<rootDir>/scripts/mutants.env.cjs",
  testMatch: ["<rootDir>/scripts/mutants.all.cjs"],
};
export default config;
