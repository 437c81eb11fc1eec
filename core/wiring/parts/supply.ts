import { lowRole, NO_READING, part, pin, poles } from "./build";
import type { PartType } from "./type";

/** Share of its rating that a supply loses at full load (estimate). */
const LOST = 0.15;

export const supply: PartType = {
  type: "low-voltage supply",
  of: (plan) => {
    const { supply: watts } = plan.wiring;
    if (watts <= 0) return [];
    const [one, two] = poles(plan);
    return [
      part({
        id: "supply",
        type: "low-voltage supply",
        label: "12\u00a0V supply",
        pins: [
          pin("1", `12 V supply, ${one}`),
          pin("2", `12 V supply, ${two}`),
          pin("+", "12 V supply, plus", { role: lowRole }),
          pin("-", "12 V supply, minus", { role: lowRole }),
        ],
        places: [
          { line: "way1.1", rank: 0, in: "1", tap: true },
          { line: "way1.2", rank: 0, in: "2", tap: true },
          { line: "low.twelve+", rank: 0, in: "+" },
          { line: "low.twelve-", rank: 0, in: "-" },
        ],
        joins: [
          { key: "input", a: "1", b: "2", is: "load", dead: [500, NO_READING], ohms: 15_000 },
          { key: "output", a: "+", b: "-", is: "load", dead: [100, NO_READING] },
        ],
        beside: [
          ["1", "2"],
          ["+", "-"],
        ],
        touching: [
          ["1", "+"],
          ["2", "+"],
          ["1", "-"],
          ["2", "-"],
        ],
        watts: LOST * watts,
        size: { width: 0.045, height: 0.04, row: "electronics" },
        symbol: "box",
        bought: [{ key: "supply", name: `Supply of 12 V, ${watts} W, double insulated`, quantity: 1 }],
      }),
    ];
  },
};
