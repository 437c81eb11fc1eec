import { outletsIn } from "../plan";
import { NO_READING } from "./build";
import { contactFaults } from "./contacts";
import { driven } from "./relay";
import type { PartType } from "./type";

/** A solid-state relay that is off leaks 1 mA at 230 V: as a resistance, Ω; dead no meter finds it. */
const LEAK = 230_000;
const LEAK_DEAD = [1e6, NO_READING] as const;
/** W an ampere, its usual loss (1 to 1.6; from memory). */
const LOSS = 1.2;

export const solidState: PartType = {
  type: "solid-state relay",
  of: (plan) =>
    plan.wiring.relay !== "solid"
      ? []
      : outletsIn(plan).map((o) =>
          driven(
            plan,
            o,
            {
              type: "solid-state relay",
              label: `Solid-state relay, ${o}`,
              symbol: "solid",
              // Its control pins lie on the side away from the mains.
              touching: [],
              faults: [
                ...contactFaults(o, "contact", `solid-state relay for ${o}`, false).map((f) =>
                  f.key.endsWith("closed")
                    ? {
                        ...f,
                        mend: "It has failed on, as they do: put in another one, and find out whether it was too hot.",
                      }
                    : f,
                ),
                {
                  key: `${o}-half`,
                  is: `The solid-state relay for ${o} lets half of each wave through`,
                  mend: "Put in another one. A motor or a transformer overheats on half waves.",
                  sets: { contact: "half" },
                },
                {
                  key: `${o}-leak`,
                  is: `The solid-state relay for ${o} leaks`,
                  mend: "Put in another one: it is about to fail on.",
                  joins: [{ a: "in", b: "out", dead: [1500, 50_000] }],
                },
              ],
              watts: LOSS * (plan[o]?.amps ?? 0),
              size: { width: 0.06, height: 0.08, row: "relays" },
              bought: [
                { key: "relays", name: `Solid-state relay with its sink, ${plan.wiring.relayAmps} A`, quantity: 1 },
              ],
            },
            [
              { key: "off", a: "in", b: "out", is: "load", dead: LEAK_DEAD, ohms: LEAK },
              // A meter's volt does not light what is in it.
              { key: "coil", a: "coil+", b: "coil-", is: "load", dead: [200, NO_READING] },
            ],
          ),
        ),
};
