import { isDouble, outletsIn } from "../plan";
import { NO_READING, part, pin, poles } from "./build";
import { socketPin } from "./outlet";
import type { Join, OwnFault, PartType } from "./type";

/** The hand that puts the plugs of heater and cooler into their outlets. */
export const PLUGGED = "plugged";

/** What is plugged into an outlet. Where it needs no earth its third pin is its own metal, if it has any. */
export const appliance: PartType = {
  type: "appliance",
  of: (plan) => {
    const [one, two] = poles(plan);
    return outletsIn(plan).map((o) => {
      const name = o === "heat" ? "heater" : "cooler";
      const known = o === "heat" ? plan.heatOhms : null;
      const double = isDouble(plan, o);
      const plugged = (pole: 1 | 2 | "e"): Join => ({
        key: `pin${pole}`,
        a: `${pole}`,
        b: socketPin(plan, o, pole),
        is: "metal",
        closed: (look) => look.hand(PLUGGED),
      });
      const faults: OwnFault[] = [
        ...(known
          ? [
              {
                key: "open",
                is: "The heater itself is open",
                mend: "Its element, its own cut-out or its cord: another heater.",
                sets: { own: "open" as const },
              },
              {
                key: "short",
                is: "The heater itself is shorted",
                mend: "Another heater; the fuse would blow.",
                joins: [{ a: "1", b: "2" }],
              },
            ]
          : []),
        ...(double
          ? []
          : [
              {
                key: "toEarth",
                is: `The ${name}\u2019s insulation is gone: its line touches its metal`,
                mend: "Away with it: another one.",
                joins: [{ a: "1", b: "e" }],
              },
            ]),
      ];
      return part({
        id: `${o}-load`,
        type: "appliance",
        label: o === "heat" ? "Heater" : "Cooler",
        outlet: o,
        pins: [
          pin("1", `${name}\u2019s own plug, ${one}`, { role: { is: "load", outlet: o, pole: 1 } }),
          pin("2", `${name}\u2019s own plug, ${two}`, { role: { is: "load", outlet: o, pole: 2 } }),
          ...(double
            ? []
            : [
                pin("e", `${name}\u2019s own plug, earth`, {
                  role: { is: "load" as const, outlet: o, pole: "e" as const },
                }),
              ]),
        ],
        joins: [
          { key: "own", a: "1", b: "2", is: "load", dead: known ? [known.low, known.high] : [1, NO_READING] },
          plugged(1),
          plugged(2),
          ...(double ? [] : [plugged("e")]),
        ],
        faults,
        symbol: "box",
      });
    });
  },
};
