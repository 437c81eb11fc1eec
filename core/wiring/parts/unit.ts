import { outletsIn, type OutletName, type WiringPlan } from "../plan";
import { CONTACT, lowRole, NO_READING, part, pin, poles, row, SNUBBER } from "./build";
import { contactFaults } from "./contacts";
import type { Join, PartType, Place } from "./type";

/** Its electronics behind a transformer or a filter, Ω: dead (a small transformer's winding and up), and live. */
const WINDING = 150;
const LIVE_OHMS = 15_000;
/** Its electronics, and the coil of a relay of its own, W (estimates). */
const ELECTRONICS = 3;
const COIL = 0.5;

/** The relays are contacts of the unit itself. */
export const relaysInUnit = ({ wiring }: Pick<WiringPlan, "wiring">): boolean =>
  wiring.relay === "mechanical" && wiring.relaysIn === "unit";

/** How an outlet is switched by the unit: its own contact feeds it, or the coil of something, or a low voltage drives it. */
const drivesBy = (plan: WiringPlan): "contact" | "coil" | "low" =>
  relaysInUnit(plan) ? "contact" : plan.wiring.relay === "contactor" ? "coil" : "low";

export const unit: PartType = {
  type: "switching unit",
  of: (plan) => {
    const outlets = outletsIn(plan);
    const [one, two] = poles(plan);
    const by = drivesBy(plan);
    const flows = (o: OutletName) => plan[o]?.amps ?? 0;
    const closed = (o: OutletName): Join[] => [
      {
        key: `${o}-contact`,
        a: `${o}-in`,
        b: `${o}-out`,
        is: "metal",
        ohms: CONTACT,
        live: true,
        closed: (look) => look.called(o) && look.powered("unit.1", "unit.2"),
      },
      { key: `${o}-snubber`, a: `${o}-in`, b: `${o}-out`, is: "leak", farads: SNUBBER },
    ];
    const low = [...(by === "low" ? outlets.flatMap((o) => [`${o}+`, `${o}-`]) : []), "probe-a", "probe-b"];
    const contacts = by === "low" ? [] : outlets.flatMap((o) => [`${o}-in`, `${o}-out`]);
    const words: Record<string, string> = { "+": "plus", "-": "minus" };
    return [
      part({
        id: "unit",
        type: "switching unit",
        label: "Unit",
        pins: [
          pin("1", `unit, ${one}`),
          pin("2", `unit, ${two}`),
          ...contacts.map((key) => {
            const [o, way] = key.split("-");
            return pin(key, `unit, contact for ${o}, ${way}`);
          }),
          ...(by === "low"
            ? outlets.flatMap((o) =>
                ["+", "-"].map((s) => pin(`${o}${s}`, `unit, drive for ${o}, ${words[s]}`, { role: lowRole })),
              )
            : []),
          pin("probe-a", "unit, probe", { role: lowRole }),
          pin("probe-b", "unit, probe, other end", { role: lowRole }),
        ],
        places: [
          { line: "way1.1", rank: 0, in: "1", tap: true },
          { line: "way1.2", rank: 0, in: "2", tap: true },
          ...outlets.flatMap((o): Place[] =>
            by === "contact"
              ? [{ line: `${o}.1`, rank: 20, in: `${o}-in`, out: `${o}-out`, switches: true }]
              : by === "coil"
                ? [{ line: `${o}.coil`, rank: 20, in: `${o}-in`, out: `${o}-out`, switches: true }]
                : [
                    { line: `${o}.drive+`, rank: 0, in: `${o}+` },
                    { line: `${o}.drive-`, rank: 0, in: `${o}-` },
                  ],
          ),
          { line: "low.probe-a", rank: 0, in: "probe-a" },
          { line: "low.probe-b", rank: 0, in: "probe-b" },
        ],
        joins: [
          { key: "supply", a: "1", b: "2", is: "load", dead: [WINDING, NO_READING], ohms: LIVE_OHMS },
          ...(by === "low" ? [] : outlets.flatMap(closed)),
        ],
        drives:
          by === "low"
            ? outlets.map((outlet) => ({ outlet, plus: `${outlet}+`, minus: `${outlet}-`, fed: ["1", "2"] as const }))
            : [],
        faults: [
          ...(by === "low"
            ? []
            : outlets.flatMap((o) => contactFaults(o, `${o}-contact`, `unit\u2019s contact for ${o}`, true))),
          // Outputs exchanged: the contact for heat feeds what cools.
          ...(outlets.length === 2
            ? [
                {
                  key: "crossed",
                  is: "The outputs for heat and cold are exchanged: the one feeds what belongs to the other",
                  mend: "Exchange the two at the unit, and label them.",
                  swaps:
                    by === "low"
                      ? ([
                          ["heat+", "cold+"],
                          ["heat-", "cold-"],
                        ] as const)
                      : ([["heat-out", "cold-out"]] as const),
                },
              ]
            : []),
        ],
        beside: [...row("1", "2", ...contacts), ...row(...low)],
        // Which low pin lies beside which of the mains differs from unit to unit: each may.
        touching: [...low, "probes.sheath"].flatMap((l) => [["1", l] as const, ["2", l] as const]),
        watts: ELECTRONICS + (by === "contact" ? outlets.reduce((w, o) => w + COIL + CONTACT * flows(o) ** 2, 0) : 0),
        size: { width: 0.075, height: 0.035, row: "electronics" },
        symbol: "box",
        paper: true,
        rating:
          by === "contact"
            ? { amps: plan.wiring.relayAmps, motorAmps: plan.wiring.relayMotorAmps, name: "unit\u2019s relay" }
            : null,
      }),
    ];
  },
};
