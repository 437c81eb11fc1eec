import { sayMarked, type LadderPlan, type Netlist } from "@/core/wiring";
import { WIDTH, words, type Draw } from "./ladderPlaces";

/** One wire of low voltage under the next, px. */
export const LOW_STEP = 24;

/** Low voltage keeps to its own side: each wire by the terminals that it joins. */
export function LadderLow({ plan, net, y, draw }: { plan: LadderPlan; net: Netlist; y: number; draw: Draw }) {
  return (
    <g>
      <path d={`M 14 ${y} H ${WIDTH - 14}`} stroke="currentColor" strokeWidth="2" strokeDasharray="10 5" />
      <text x={WIDTH - 16} y={y + 15} {...words} textAnchor="end">
        barrier: below it low voltage alone
      </text>
      {plan.low.map((wire, i) => {
        const at = y + 30 + i * LOW_STEP;
        return (
          <g key={wire.id}>
            <text x="268" y={at + 4} {...words} textAnchor="end">
              {sayMarked(wire.from, net)}
            </text>
            {draw(wire, `M 278 ${at} H 412`, 345, at)}
            <text x="422" y={at + 4} {...words}>
              {sayMarked(wire.to, net)}
            </text>
          </g>
        );
      })}
    </g>
  );
}
