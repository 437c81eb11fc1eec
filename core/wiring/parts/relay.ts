import { outletsIn, type OutletName, type WiringPlan } from "../plan";
import { CONTACT, lowRole, part, pin, SNUBBER } from "./build";
import { contactFaults } from "./contacts";
import type { Join, Part, PartType, Place } from "./type";

/** A relay outside of the unit: one contact in the line, driven by low voltage. */
export function driven(
  plan: WiringPlan,
  o: OutletName,
  own: Pick<Part, "type" | "label" | "symbol"> & Partial<Part>,
  joins: Join[],
): Part {
  const drive = (sign: "+" | "-"): Place => ({ line: `${o}.drive${sign}`, rank: 100, in: `coil${sign}` });
  return part({
    id: `${o}-relay`,
    outlet: o,
    pins: [
      pin("in", `relay for ${o}, in`),
      pin("out", `relay for ${o}, out`),
      pin("coil+", `relay for ${o}, control plus`, { role: lowRole }),
      pin("coil-", `relay for ${o}, control minus`, { role: lowRole }),
    ],
    places: [{ line: `${o}.1`, rank: 20, in: "in", out: "out", switches: true }, drive("+"), drive("-")],
    joins: [
      {
        key: "contact",
        a: "in",
        b: "out",
        is: "metal",
        ohms: CONTACT,
        live: true,
        closed: (look) => look.driven(`${o}-relay.coil+`, `${o}-relay.coil-`),
      },
      ...joins,
    ],
    beside: [["coil+", "coil-"]],
    touching: [
      ["in", "coil+"],
      ["out", "coil+"],
      ["in", "coil-"],
      ["out", "coil-"],
    ],
    rating: { amps: plan.wiring.relayAmps, motorAmps: plan.wiring.relayMotorAmps, name: `relay for ${o}` },
    ...own,
  });
}

export const relay: PartType = {
  type: "plain relay",
  of: (plan) =>
    plan.wiring.relay !== "mechanical" || plan.wiring.relaysIn === "unit"
      ? []
      : outletsIn(plan).map((o) =>
          driven(
            plan,
            o,
            {
              type: "plain relay",
              label: `Relay, ${o}`,
              symbol: "contact",
              faults: contactFaults(o, "contact", `relay for ${o}`, true),
              watts: 0.5 + CONTACT * (plan[o]?.amps ?? 0) ** 2,
              size: { width: 0.03, height: 0.05, row: "relays" },
              bought: [{ key: "relays", name: `Relay, ${plan.wiring.relayAmps} A`, quantity: 1 }],
            },
            [
              { key: "snubber", a: "in", b: "out", is: "leak", farads: SNUBBER },
              { key: "coil", a: "coil+", b: "coil-", is: "load", dead: [50, 2000] },
            ],
          ),
        ),
};
