import { part, pin } from "./build";
import type { PartType } from "./type";

/** The lid of a metal enclosure: its hinge or its screws are no earth, it has a wire of its own. */
export const lid: PartType = {
  type: "metal lid",
  of: ({ wiring }) =>
    wiring.metalBox
      ? [
          part({
            id: "lid",
            type: "metal lid",
            label: "Metal of the lid",
            symbol: "box",
            pins: [
              pin("m", "metal of the lid", {
                role: { is: "metal" },
                end: "ring",
                sizes: [0.75, 6],
              }),
            ],
            places: [{ line: "way1.e", rank: 0, in: "m", tap: true }],
          }),
        ]
      : [],
};
