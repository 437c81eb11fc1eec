import { cordsOf } from "../plan";
import { CONTACT, part, pin, poles } from "./build";
import type { Join, PartType } from "./type";

/** Residual-current protection inside of the enclosure; what stands at the wall is no part of the wiring. */
export const residual: PartType = {
  type: "residual-current device",
  of: (plan) => {
    const { residual: kind, residualAt } = plan.wiring;
    if (residualAt !== "box" || (kind !== "r30" && kind !== "r5")) return [];
    const [one, two] = poles(plan);
    return cordsOf(plan).map((cord) => {
      const id = cord === 1 ? "rcd" : "rcd2";
      const name = cord === 1 ? "residual-current device" : "second residual-current device";
      const pole = (n: 1 | 2): Join => ({
        key: `pole${n}`,
        a: `in${n}`,
        b: `out${n}`,
        is: "metal",
        ohms: CONTACT,
        closed: (look) => !look.hand(id),
      });
      return part({
        id,
        type: "residual-current device",
        label: cord === 1 ? "Residual-current device" : "2nd residual-current device",
        cord,
        pins: [
          pin("in1", `${name}, ${one}, in`, { sizes: [1, 16] }),
          pin("out1", `${name}, ${one}, out`, { sizes: [1, 16] }),
          pin("in2", `${name}, ${two}, in`, { sizes: [1, 16] }),
          pin("out2", `${name}, ${two}, out`, { sizes: [1, 16] }),
        ],
        places: [
          { line: `way${cord}.1`, rank: 10, in: "in1", out: "out1" },
          { line: `way${cord}.2`, rank: 10, in: "in2", out: "out2" },
        ],
        joins: [pole(1), pole(2)],
        hands: [{ name: id, says: `${name} off`, kind: "cuts", cord }],
        beside: [
          ["in1", "in2"],
          ["out1", "out2"],
        ],
        watts: 1,
        size: { width: 0.036, height: 0.085, row: "way" },
        symbol: "switch",
        bought: [
          { key: "rcd", name: `Residual-current device, ${kind === "r30" ? 30 : 5} mA, two poles`, quantity: 1 },
        ],
      });
    });
  },
};
