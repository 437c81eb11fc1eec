import { CONTACT, part, pin, poles } from "./build";
import type { Join, OwnFault, PartType } from "./type";

export const mainSwitch: PartType = {
  type: "main switch",
  of: (plan) => {
    const { mainSwitch: kind } = plan.wiring;
    if (kind === "none") return [];
    const names = poles(plan);
    const all = kind === "both" ? ([1, 2] as const) : ([1] as const);
    return [
      part({
        id: "switch",
        type: "main switch",
        label: "Main switch",
        cord: 1,
        pins: all.flatMap((n) => [
          pin(`in${n}`, `main switch, ${names[n - 1]}, in`, { end: "push-on" }),
          pin(`out${n}`, `main switch, ${names[n - 1]}, out`, { end: "push-on" }),
        ]),
        places: all.map((n) => ({ line: `way1.${n}` as const, rank: 40, in: `in${n}`, out: `out${n}` })),
        joins: all.map((n): Join => ({
          key: `pole${n}`,
          a: `in${n}`,
          b: `out${n}`,
          is: "metal",
          ohms: CONTACT,
          closed: (look) => !look.hand("switch"),
        })),
        hands: [{ name: "switch", says: "main switch off", kind: "cuts", cord: 1 }],
        faults: all.map((n): OwnFault => ({
          key: `stuck${n}`,
          is: `The main switch does not open the ${names[n - 1]}`,
          mend: "Look whether something bridges it; else put in another one.",
          sets: { [`pole${n}`]: "closed" },
          asked: true,
        })),
        beside:
          kind === "both"
            ? [
                ["in1", "in2"],
                ["out1", "out2"],
              ]
            : [],
        size: { width: 0.03, height: 0.04, row: "way" },
        symbol: "switch",
        bought: [{ key: "switch", name: `Main switch, ${kind === "both" ? "two poles" : "one pole"}`, quantity: 1 }],
      }),
    ];
  },
};
