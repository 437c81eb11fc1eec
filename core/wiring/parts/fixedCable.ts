import { cordsOf } from "../plan";
import { part } from "./build";
import { wayIn } from "./plug";
import type { PartType } from "./type";

export const fixedCable: PartType = {
  type: "fixed cable",
  of: (plan) =>
    plan.wiring.laid === "cord"
      ? []
      : cordsOf(plan).map((cord) =>
          part({
            id: cord === 1 ? "cable" : "cable2",
            type: "fixed cable",
            label: cord === 1 ? "Fixed cable" : "Second fixed cable",
            cord,
            symbol: "block",
            ...wayIn(plan, cord, cord === 1 ? "supply" : "second supply", plan.wiring.cordLength),
          }),
        ),
};
