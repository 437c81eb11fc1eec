import { part, poles } from "./build";
import { breaksBothLinks, contactsOf, isTwin, ratingOf } from "./outlet";
import type { Join, OwnFault, PartType } from "./type";

export const twinOutlet: PartType = {
  type: "twin outlet",
  of: (plan) => {
    if (!isTwin(plan)) return [];
    const both = breaksBothLinks(plan);
    const [, two] = poles(plan);
    const sides = (["heat", "cold"] as const).map((o) => contactsOf(plan, o));
    const link = (key: string, pole: string, whole: boolean): Join => ({
      key,
      a: `heat-${pole}`,
      b: `cold-${pole}`,
      is: "metal",
      closed: () => whole,
    });
    const kept = (key: string, side: string, mend: string): OwnFault => ({
      key: `${key}-kept`,
      is: `The link between the two sockets is not broken on the side of the ${side}`,
      mend,
      sets: { [key]: "closed" },
    });
    const broken = plan.wiring.linkBroken;
    return [
      part({
        id: "twin",
        type: "twin outlet",
        label: "Twin outlet",
        pins: sides.flatMap((s) => s.pins),
        // One yoke: the earth of one side is that of the other.
        places: sides.flatMap((s) => s.places).filter((p) => p.line !== "cold.e"),
        joins: [
          link("link", "1", !broken),
          link("link2", "2", !(both && broken)),
          { key: "yoke", a: "heat-e", b: "cold-e", is: "metal" },
        ],
        faults: [
          ...(broken ? [kept("link", poles(plan)[0], "Break it off, and look that nothing bridges it.")] : []),
          ...(both && broken ? [kept("link2", two, "Break it off too: here the two must not meet.")] : []),
          {
            key: "crossed",
            is: "The switched wires of the two sockets are exchanged",
            mend: "Exchange them, and label them.",
            swaps: [["heat-1", "cold-1"]],
          },
        ],
        beside: [...sides.flatMap((s) => s.beside)],
        touching: [["heat-1", "cold-1"]],
        size: { width: 0.1, height: 0.05, row: "front" },
        symbol: "outlet",
        bought: [{ key: "twin", name: `Twin socket that can be split, ${plan.wiring.outletAmps} A`, quantity: 1 }],
        rating: ratingOf(plan, "twin outlet"),
      }),
    ];
  },
};
