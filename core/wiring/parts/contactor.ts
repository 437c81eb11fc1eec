import { mainsTable } from "../mains";
import { outletsIn, type OutletName } from "../plan";
import { CONTACT, part, pin, SNUBBER } from "./build";
import { contactFaults } from "./contacts";
import type { Join, PartType } from "./type";

/** A contactor's coil, W (estimate), and what a meter finds of it: the winding alone. */
export const COIL_WATTS = 5;
const COIL_DEAD = [30, 20_000] as const;

export const contactor: PartType = {
  type: "two-pole contactor",
  of: (plan) => {
    if (plan.wiring.relay !== "contactor") return [];
    const { volts } = mainsTable[plan.wiring.mains];
    return outletsIn(plan).map((o) => {
      const id = `${o}-relay`;
      const lever = `${o}-lever`;
      const name = `contactor for ${o}`;
      const pole = (key: string, a: string, b: string): Join[] => [
        {
          key,
          a,
          b,
          is: "metal",
          ohms: CONTACT,
          closed: (look) => look.hand(lever) || look.powered(`${id}.coil1`, `${id}.coil2`),
        },
        { key: `${key}-snubber`, a, b, is: "leak", farads: SNUBBER },
      ];
      return part({
        id,
        type: "two-pole contactor",
        label: `Contactor, ${o}`,
        outlet: o,
        pins: [
          pin("in", `${name}, in`),
          pin("out", `${name}, out`),
          pin("in2", `${name}, second pole in`),
          pin("out2", `${name}, second pole out`),
          pin("coil1", `coil of the ${name}`),
          pin("coil2", `coil of the ${name}, other end`),
        ].map((p) => ({ ...p, sizes: [0.75, 4] as const })),
        places: [
          { line: `${o}.1`, rank: 20, in: "in", out: "out", switches: true },
          { line: `${o}.2`, rank: 20, in: "in2", out: "out2" },
          { line: `${o}.coil`, rank: 100, in: "coil1" },
          { line: `${o}.back`, rank: 100, in: "coil2" },
        ],
        joins: [
          ...pole("pole1", "in", "out"),
          ...pole("pole2", "in2", "out2"),
          { key: "coil", a: "coil1", b: "coil2", is: "load", dead: COIL_DEAD, ohms: volts ** 2 / COIL_WATTS },
        ],
        hands: [{ name: lever, says: `test lever of the ${name} pressed`, kind: "lever", outlet: o }],
        faults: [
          ...contactFaults(o, "pole1", name, true),
          ...contactFaults(`${o}` as OutletName, "pole2", `second pole of the ${name}`, false).map((f) => ({
            ...f,
            key: `${f.key}2`,
          })),
        ],
        beside: [
          ["in", "in2"],
          ["out", "out2"],
          ["coil1", "coil2"],
          ["coil1", "in"],
          ["coil2", "out2"],
        ],
        watts: COIL_WATTS + 2 * CONTACT * (plan[o]?.amps ?? 0) ** 2,
        size: { width: 0.045, height: 0.08, row: "relays" },
        symbol: "contact",
        bought: [
          {
            key: "relays",
            name: `Contactor of two poles, coil for the mains, ${plan.wiring.relayAmps} A`,
            quantity: 1,
          },
        ],
        rating: { amps: plan.wiring.relayAmps, motorAmps: plan.wiring.relayMotorAmps, name },
      });
    });
  },
};
