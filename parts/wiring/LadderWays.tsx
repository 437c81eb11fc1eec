import { mainsTable, usesAnsi, type WiringPlan } from "@/core/wiring";
import { LEFT, middle, OWN_CORD, RIGHT, WIDTH, words, type Draw } from "./ladderPlaces";
import { Fuse } from "./symbols";

/** From the plug down to the rails: fuse and switch on their way. */
export function WayIn({ plan, draw, to }: { plan: WiringPlan; draw: Draw; to: number }) {
  const { wiring } = plan;
  const ansi = usesAnsi(plan);
  const [one, two] = mainsTable[wiring.mains].twoLines ? ["line 1", "line 2"] : ["line", "neutral"];
  const from = wiring.laid === "cord" ? "plug" : "supply";
  const fused = wiring.fuse > 0;
  const both = wiring.mainSwitch === "both";
  const way = (x: number, prefix: string, cuts: readonly { y: number; what: "fuse" | "switch" }[]) => {
    const ends = [14, ...cuts.flatMap(({ y }) => [y - 10, y + 10]), to];
    return (
      <>
        {cuts.map(({ y, what }) =>
          what === "fuse" ? (
            <Fuse key={what} x={x} y={y} ansi={ansi} />
          ) : (
            <path key={what} d={`M ${x} ${y + 10} L ${x + 11} ${y - 9}`} stroke="currentColor" strokeWidth="2" />
          ),
        )}
        {Array.from({ length: ends.length / 2 }, (_, i) =>
          draw(`${prefix}-${i + 1}`, `M ${x} ${ends[2 * i]} V ${ends[2 * i + 1]}`),
        )}
      </>
    );
  };
  const cut = (y: number, what: "fuse" | "switch") => [{ y, what }];
  return (
    <g>
      <text x={LEFT} y={9} {...middle}>
        {from}, {one}
      </text>
      <text x={RIGHT} y={9} {...middle}>
        {from}, {two}
      </text>
      {fused && (
        <text x={LEFT + 14} y={38} {...words}>
          fuse {wiring.fuse} A
        </text>
      )}
      {wiring.mainSwitch !== "none" && (
        <text x={LEFT + 18} y={70} {...words}>
          main switch{both ? ", both poles" : ""}
        </text>
      )}
      {way(LEFT, "live", [
        ...(fused ? cut(34, "fuse") : []),
        ...(wiring.mainSwitch === "none" ? [] : cut(66, "switch")),
      ])}
      {way(RIGHT, "second", both ? cut(66, "switch") : [])}
      {both && (
        <path d={`M ${LEFT + 150} 66 H ${RIGHT + 5}`} stroke="currentColor" strokeDasharray="3 4" strokeWidth="1" />
      )}
    </g>
  );
}

/** The cord of its own that feeds the cold outlet, on rails of its own. */
export function SecondWayIn({ plan, draw, y, earth }: { plan: WiringPlan; draw: Draw; y: number; earth: number }) {
  const { wiring } = plan;
  const top = y - OWN_CORD - 4;
  const [one, two] = mainsTable[wiring.mains].twoLines ? ["line 1", "line 2"] : ["line", "neutral"];
  const name = wiring.laid === "cord" ? "second plug" : "second supply";
  return (
    <g>
      <path d={`M 34 ${top - 18} H ${WIDTH - 20}`} stroke="currentColor" strokeWidth="1" strokeDasharray="1 5" />
      <text x={LEFT + 10} y={top + 4} {...words}>
        {name}, {one}
      </text>
      <text x={RIGHT - 8} y={top + 4} {...words} textAnchor="end">
        {name}, {two}
      </text>
      {wiring.fuse > 0 && (
        <text x={LEFT + 14} y={top + 30} {...words}>
          fuse {wiring.fuse} A
        </text>
      )}
      {wiring.fuse > 0 ? (
        <>
          {draw("cold-live-1", `M ${LEFT} ${top} V ${top + 16}`)}
          {draw("cold-live-2", `M ${LEFT} ${top + 36} V ${y} H 168`)}
          <Fuse x={LEFT} y={top + 26} ansi={usesAnsi(plan)} />
        </>
      ) : (
        draw("cold-live-1", `M ${LEFT} ${top} V ${y} H 168`)
      )}
      {draw("cold-cord-earth", `M 44 ${top} V ${earth}`)}
    </g>
  );
}
