import { lowRole, part, pin } from "./build";
import type { Part, PartType } from "./type";

/** What a probe reads lies between these ohms, whatever its kind: a Pt100 in the cold, a hot or a cold thermistor. */
const SENSOR = [80, 500_000] as const;

/** Terminals beyond the barrier: probes, and 12 V. */
export const lowBlock: PartType = {
  type: "low-voltage block",
  of: ({ wiring }) => {
    const of = (id: string, label: string, own: Partial<Part>): Part =>
      part({
        id,
        type: "low-voltage block",
        label,
        symbol: "block",
        size: { width: 0.045, height: 0.025, row: "low" },
        ...own,
      });
    const low = (key: string, name: string) => pin(key, name, { role: lowRole });
    return [
      of("probes", "Probe terminals", {
        pins: [
          low("a", "probe terminals"),
          low("b", "probe terminals, other end"),
          low("sheath", "metal sheath of the probe"),
        ],
        places: [
          { line: "low.probe-a", rank: 100, in: "a" },
          { line: "low.probe-b", rank: 100, in: "b" },
        ],
        joins: [{ key: "sensor", a: "a", b: "b", is: "load", dead: SENSOR }],
      }),
      ...(wiring.supply > 0
        ? [
            of("twelve", "12\u00a0V terminals", {
              pins: [low("+", "12 V terminals, plus"), low("-", "12 V terminals, minus")],
              places: [
                { line: "low.twelve+", rank: 100, in: "+" },
                { line: "low.twelve-", rank: 100, in: "-" },
              ],
            }),
          ]
        : []),
    ];
  },
};
