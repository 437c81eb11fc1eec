import { outletsIn } from "../plan";
import { part, pin } from "./build";
import { socketPin } from "./outlet";
import type { PartType } from "./type";

/** From the enclosure to a kettle, m (estimate). */
const TO_VESSEL = 1.5;

/** Metal that may be touched: the enclosure, and a kettle that is heated from within. */
export const metal: PartType = {
  type: "touchable metal",
  of: (plan) => {
    const { metalBox, metalVessel } = plan.wiring;
    const of = (
      id: string,
      label: string,
      name: string,
      away: number,
      touching: readonly (readonly [string, string])[],
    ) =>
      part({
        id,
        type: "touchable metal",
        label,
        symbol: "box",
        pins: [pin("m", name, { role: { is: "metal" }, end: "ring", sizes: [0.75, 6], away })],
        places: [{ line: "way1.e", rank: 0, in: "m", tap: true }],
        touching,
      });
    return [
      ...(metalBox
        ? [
            of("box", "Metal of the box", "metal of the box", 0, [
              ["m", "block.1"],
              ["m", "block.2"],
              ...outletsIn(plan).map((o) => ["m", socketPin(plan, o, 1)] as const),
            ]),
          ]
        : []),
      ...(metalVessel && plan.heat !== null
        ? [of("vessel", "Metal vessel", "metal of the vessel", TO_VESSEL, [["m", socketPin(plan, "heat", 1)]])]
        : []),
    ];
  },
};
