import { hasTwoCords } from "../plan";
import { part, pin, poles } from "./build";
import type { PartType, Place } from "./type";

/** A terminal block or bar joins so many conductors (estimate: lever connectors of five; more of them are bridged). */
const BLOCK_TAKES = 12;

/** Where the conductors of the first cord spread. */
export const block: PartType = {
  type: "terminal block",
  of: (plan) => {
    const [one, two] = poles(plan);
    const end = (line: Place["line"], key: string): Place => ({ line, rank: 100, in: key });
    const of = (key: string, word: string) => pin(key, `block of the ${word}`, { takes: BLOCK_TAKES, sizes: [0.5, 4] });
    return [
      part({
        id: "block",
        type: "terminal block",
        label: "Terminal blocks",
        cord: 1,
        pins: [of("1", one), of("2", two), of("e", "earth")],
        places: [
          end("way1.1", "1"),
          end("way1.2", "2"),
          end("way1.e", "e"),
          ...(hasTwoCords(plan) ? [end("way2.e", "e")] : []),
        ],
        beside: [
          ["1", "2"],
          ["2", "e"],
        ],
        size: { width: 0.05, height: 0.03, row: "way" },
        symbol: "block",
      }),
    ];
  },
};
