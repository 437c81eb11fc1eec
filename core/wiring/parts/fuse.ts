import { cordsOf } from "../plan";
import { CONTACT, part, pin, poles } from "./build";
import type { PartType } from "./type";

export const fuse: PartType = {
  type: "cartridge fuse",
  of: (plan) => {
    const { fuse: amps } = plan.wiring;
    if (amps <= 0) return [];
    const motor = plan.heat?.motor || plan.cold?.motor;
    const [one, two] = poles(plan);
    return cordsOf(plan).map((cord) => {
      const id = cord === 1 ? "fuse" : "fuse2";
      const name = cord === 1 ? "fuse" : "second fuse";
      return part({
        id,
        type: "cartridge fuse",
        label: cord === 1 ? "Fuse" : "2nd fuse",
        cord,
        pins: [pin("in", `${name}, in`, { end: "push-on" }), pin("out", `${name}, out`, { end: "push-on" })],
        places: [{ line: `way${cord}.1`, rank: 20, in: "in", out: "out" }],
        joins: [{ key: "link", a: "in", b: "out", is: "metal", ohms: CONTACT, closed: (look) => !look.hand(id) }],
        hands: [{ name: id, says: `${name} out`, kind: "fuse", cord }],
        faults: [
          {
            key: "blown",
            is: `The ${name} has blown`,
            mend: "Find out why before another one goes in.",
            sets: { link: "open" },
          },
          {
            key: "other",
            is: `The ${name} stands in the ${two}`,
            mend: `Put it into the ${one}: a blown fuse in the other one leaves everything live.`,
            standsIn: `way${cord}.2`,
          },
        ],
        watts: 1,
        size: { width: 0.018, height: 0.06, row: "way" },
        symbol: "fuse",
        bought: [
          {
            key: "fuse",
            name: `Fuse holder and ceramic fuses, ${amps} A, breaking 1,500 A${motor ? ", time-lag (T)" : ""}`,
            quantity: 1,
          },
        ],
      });
    });
  },
};
