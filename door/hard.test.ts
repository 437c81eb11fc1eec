import fc from "fast-check";
import { configurations } from "@/core/testing/configurations";
import { recordWith } from "@/core/testing/build";
import { blows, struck } from "@/core/testing/mutate";
import { hollinMill } from "@/demo";
import { knock } from "./door";
import { sameThread } from "./testing";
import { calls, chamberInput } from "./schemas";

/** `npm run hard` asks for all; verify for a seeded share. */
const RUNS = Number(process.env.HARD_CALLS ?? 60);
const SEED = Number(process.env.HARD_SEED ?? 20_261_126);
jest.setTimeout(2 * 3600_000);

const names = Object.keys(chamberInput.shape);
const records = [recordWith(), ...hollinMill(), ...Object.values(configurations).map((make) => make())];
const chambers = records.map((r) => Object.fromEntries(Object.entries(r).filter(([name]) => names.includes(name))));
const asked = calls.filter((c) => c !== "recommendation");
const bodyOf = (call: (typeof asked)[number], chamber: unknown) =>
  call === "trial"
    ? { chamber, days: 0.25, bins: 20 }
    : call === "verdicts"
      ? { chamber, days: 0.25 }
      : call === "read-back"
        ? { chamber, settings: { setpoint: 20 } }
        : { chamber };

describe(`${RUNS} damaged calls at the door, seed ${SEED}`, () => {
  it("none hangs, none is our fault, each is answered or refused with the place and the reason", async () => {
    const seen: Record<number, number> = {};
    await fc.assert(
      fc.asyncProperty(fc.nat(chambers.length - 1), fc.constantFrom(...asked), blows, async (which, call, all) => {
        const begun = performance.now();
        const body = JSON.stringify(struck(bodyOf(call, chambers[which]), all));
        const reply = await knock(call, "application/json", { text: body }, sameThread);
        expect(performance.now() - begun).toBeLessThan(10_000);
        seen[reply.status] = (seen[reply.status] ?? 0) + 1;
        const said = JSON.parse(reply.body) as { problem?: { why: string; mend: string } };
        expect([200, 422]).toContain(reply.status);
        if (reply.status === 422) expect([said.problem!.why, said.problem!.mend].every(Boolean)).toBe(true);
        else if (call === "settings")
          // What is no number is written as null: none may stand where a number was promised.
          expect(JSON.stringify((said as { settings?: object }).settings)).not.toMatch(/null/);
      }),
      { numRuns: RUNS, seed: SEED, endOnFailure: true },
    );
    expect(seen[200]).toBeGreaterThan(RUNS / 20);
    expect(seen[422]).toBeGreaterThan(RUNS / 5);
  });
});
