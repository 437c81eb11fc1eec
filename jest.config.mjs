const swc = [
  "@swc/jest",
  {
    jsc: {
      parser: { syntax: "typescript", tsx: true },
      transform: { react: { runtime: "automatic" } },
      target: "es2022",
    },
    module: { type: "commonjs" },
  },
];
const shared = {
  // Looked up through the sandbox at each call it makes every trial half as slow again.
  sandboxInjectedGlobals: ["Math"],
  transform: { "^.+\\.(t|j|mj)sx?$": swc },
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/$1", "\\.css$": "<rootDir>/scripts/empty.cjs" },
  transformIgnorePatterns: ["/node_modules/(?!(react-hotkeys-hook|nanoid|odex)/)"],
  modulePathIgnorePatterns: ["<rootDir>/.next"],
};
const config = {
  // Few and long files: with one worker less than cores a core would idle.
  maxWorkers: "100%",
  testSequencer: "<rootDir>/scripts/order.cjs",
  projects: [
    {
      ...shared,
      displayName: "core",
      testEnvironment: "node",
      testMatch: ["<rootDir>/{core,demo,door,scripts,workers}/**/*.test.ts"],
    },
    {
      ...shared,
      displayName: "screens",
      testEnvironment: "<rootDir>/scripts/browserEnv.cjs",
      testMatch: ["<rootDir>/{workshop,parts,bench,rooms}/**/*.test.{ts,tsx}"],
    },
  ],
};

export default config;
