/** The floors of docs/architecture.md: nothing imports upwards, and nobody reaches past a core folder's face. */
const floor = (name, from, notTo) => ({
  name,
  severity: "error",
  from: { path: `^(${from})/`, pathNot: "\\.test\\.tsx?$" },
  to: { path: `^(${notTo})/` },
});

module.exports = {
  forbidden: [
    floor("core-stands-alone", "core", "workshop|workers|demo|door|parts|bench|rooms|app"),
    floor("second-floor", "workshop|workers|demo|door", "parts|bench|rooms|app"),
    floor("parts-know-no-station", "parts", "bench|rooms|app|workshop|workers|demo|door"),
    floor("bench-and-rooms-below-app", "bench|rooms", "app"),
    {
      name: "core-packages",
      comment: "The core computes; of packages it needs the schema library alone.",
      severity: "error",
      from: { path: "^core/", pathNot: "(\\.test\\.ts$|^core/testing/|^core/formats/|^core/foam/)" },
      to: { dependencyTypes: ["npm", "npm-dev"], pathNot: "node_modules/zod/" },
    },
    {
      name: "formats-packages",
      comment: "Open formats are read and written by their well-known packages.",
      severity: "error",
      from: { path: "^core/formats/", pathNot: "\\.test\\.ts$" },
      to: {
        dependencyTypes: ["npm", "npm-dev"],
        pathNot: "node_modules/(zod|papaparse|@types/papaparse|ical-generator)/",
      },
    },
    {
      name: "foam-packages",
      comment: "Rectangles are laid on sheets by a kept package.",
      severity: "error",
      from: { path: "^core/foam/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["npm", "npm-dev"], pathNot: "node_modules/(zod|maxrects-packer)/" },
    },
    {
      name: "core-by-its-faces",
      severity: "error",
      from: { path: "^(?!core/)" },
      to: { path: "^core/[^/]+/", pathNot: "^core/([^/]+/index\\.ts$|testing/)" },
    },
    {
      name: "core-folders-by-their-faces",
      severity: "error",
      from: { path: "^core/([^/]+)/", pathNot: "\\.test\\.ts$" },
      to: { path: "^core/[^/]+/", pathNot: "^core/($1/|[^/]+/index\\.ts$|testing/)" },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "tests-stay-out",
      severity: "error",
      from: { pathNot: "(\\.test\\.tsx?$|^e2e/|/testing/|^scripts/)" },
      to: { path: "(\\.test\\.tsx?$|/testing/)" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".mjs", ".js", ".json"] },
  },
};
