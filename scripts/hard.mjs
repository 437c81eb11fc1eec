// Hostile input in full: 10,000 damaged backups and 3,000 damaged calls at the door. verify asks for a share of each.
// `npm run hard -- 7`: with another seed.
import { bin, install, node } from "./run.mjs";

install();
const seed = process.argv[2] ?? "20261126";
console.log(`seed ${seed}`);
const good = node([bin("jest/bin/jest.js"), "workshop/hard", "door/hard"], {
  NODE_ENV: "test",
  HARD_BACKUPS: "10000",
  HARD_CALLS: "3000",
  HARD_SEED: seed,
});
process.exit(good ? 0 : 1);
