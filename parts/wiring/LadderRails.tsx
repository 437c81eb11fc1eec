import { poleNames, type LadderPlan, type Netlist, type Rail } from "@/core/wiring";
import { HEAD, LEFT, middle, RIGHT, SLOT, words, type Draw } from "./ladderPlaces";
import { Fuse, Switch } from "./symbols";

/** What stands on the rails of a cord, from the plug down: the same part on both at the same height. */
export const slotsOf = (rails: readonly Rail[]): string[] => [
  ...new Set(
    [...rails].sort((a, b) => b.elements.length - a.elements.length).flatMap((r) => r.elements.map((e) => e.part)),
  ),
];

/** How high the rails of a cord are before its first rung. */
export const railHeight = (rails: readonly Rail[]): number => HEAD + slotsOf(rails).length * SLOT + 12;

interface Props {
  plan: LadderPlan;
  net: Netlist;
  cord: 1 | 2;
  top: number;
  /** Where the last rung of this cord hangs. */
  to: number;
  ansi: boolean;
  draw: Draw;
}

/** From a plug down: fuse, switch, blocks on their way; then the rails themselves. */
export function LadderRails({ plan, net, cord, top, to, ansi, draw }: Props) {
  const rails = plan.rails.filter((r) => r.cord === cord);
  const slots = slotsOf(rails);
  const yOf = (part: string) => top + HEAD + slots.indexOf(part) * SLOT + SLOT / 2;
  const names = poleNames(net.plan.wiring);
  const label = (id: string) => net.pins.get(id)!;
  return (
    <g>
      {rails.map((rail) => {
        const x = rail.pole === 1 ? LEFT : RIGHT;
        const source = label(rail.from);
        const ends = [top + HEAD - 6, ...rail.elements.flatMap((e) => [yOf(e.part) - 10, yOf(e.part) + 10])];
        const block = rail.elements[rail.elements.length - 1]?.symbol === "block";
        return (
          <g key={rail.pole}>
            <text x={x} y={top + 10} {...middle}>
              <tspan className="font-semibold">{source.mark}</tspan> {source.part.label.toLowerCase()},{" "}
              {names[rail.pole - 1]}
            </text>
            {rail.wires.map((wire, i) =>
              draw(wire, `M ${x} ${ends[2 * i]} V ${ends[2 * i + 1]}`, x, (ends[2 * i]! + ends[2 * i + 1]!) / 2),
            )}
            {rail.elements.map((e) => {
              const y = yOf(e.part);
              const aside = rail.pole === 1 ? x + 16 : x - 16;
              return (
                <g key={e.part}>
                  {e.symbol === "fuse" && <Fuse x={x} y={y} ansi={ansi} />}
                  {e.symbol === "switch" && <Switch x={x} y={y} />}
                  {e.symbol === "block" && (
                    <rect
                      x={x - 12}
                      y={y - 10}
                      width="24"
                      height="20"
                      fill="var(--color-base-200)"
                      stroke="currentColor"
                    />
                  )}
                  <text x={aside} y={y + 4} {...words} textAnchor={rail.pole === 1 ? "start" : "end"}>
                    <tspan className="font-semibold">{e.letter}</tspan> {e.label.toLowerCase()}
                    {e.symbol === "fuse" ? ` ${net.plan.wiring.fuse} A` : ""}
                  </text>
                </g>
              );
            })}
            {/* The rail below: one piece of the block, or the conductor of the cord itself. */}
            <path d={`M ${x} ${ends[ends.length - 1]} V ${to}`} stroke="currentColor" strokeWidth={block ? 3 : 1.8} />
          </g>
        );
      })}
    </g>
  );
}
