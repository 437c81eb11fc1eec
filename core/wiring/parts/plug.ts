import { plugTable } from "../../chamber";
import { cordsOf, type Cord, type WiringPlan } from "../plan";
import { part, pin, poles } from "./build";
import type { Part, Pin, Place, PartType } from "./type";

/** Three pins that bring the mains in, and the beginnings of their lines. */
export function wayIn(
  plan: WiringPlan,
  cord: Cord,
  name: string,
  away: number,
): Pick<Part, "pins" | "places" | "beside"> {
  const [one, two] = poles(plan);
  const of = (key: "1" | "2" | "e", word: string): Pin =>
    pin(key, `${name}, ${word}`, {
      role: { is: "source", cord, pole: key === "e" ? "e" : (Number(key) as 1 | 2) },
      end: "ferrule",
      away,
    });
  const begin = (key: "1" | "2" | "e"): Place => ({ line: `way${cord}.${key}`, rank: 0, in: key });
  return {
    pins: [of("1", one), of("2", two), of("e", "earth")],
    places: [begin("1"), begin("2"), begin("e")],
    beside: [
      ["1", "2"],
      ["2", "e"],
      ["1", "e"],
    ],
  };
}

export const plug: PartType = {
  type: "cord plug",
  of: (plan) =>
    plan.wiring.laid !== "cord"
      ? []
      : cordsOf(plan).map((cord) => {
          const name = cord === 1 ? "plug" : "second plug";
          const { plug: kind, plugFuse, cordLength } = plan.wiring;
          return part({
            id: cord === 1 ? "plug" : "plug2",
            type: "cord plug",
            label: cord === 1 ? "Plug" : "Second plug",
            cord,
            symbol: "block",
            ...wayIn(plan, cord, name, cordLength),
            bought: [
              {
                key: "plug",
                name: `Plug ${plugTable[kind].label.replace(/:.*/, "")}${plugFuse > 0 ? `, its fuse ${plugFuse} A` : ""}`,
                quantity: 1,
              },
            ],
          });
        }),
};
