import { sayMarked, type Netlist, type Rung } from "@/core/wiring";
import { haloed, LEFT, RIGHT, words, type Draw } from "./ladderPlaces";
import { Block, Coil, Contact, CutOut, Dot, Lamp, Outlet } from "./symbols";

/** Half of the width of a symbol on a rung, px. */
const HALF = {
  contact: 20,
  solid: 20,
  coil: 18,
  cutOut: 13,
  outlet: 22,
  box: 46,
  block: 20,
  fuse: 10,
  switch: 10,
  lamp: 9,
} as const;

interface Props {
  rung: Rung;
  net: Netlist;
  y: number;
  ansi: boolean;
  /** Where the earth rail lies, and the rungs that its drop passes. */
  earth: number;
  passed: readonly number[];
  draw: Draw;
}

/** The places of a rung’s elements, evenly between the rails. */
export const placesOf = ({ elements }: Rung): number[] =>
  elements.map((_, i) => LEFT + ((RIGHT - LEFT) * (i + 1)) / (elements.length + 1));

/** Where the earth of its outlet comes down; 0: it has none. */
export function dropOf(rung: Rung): number {
  const end = rung.elements.findIndex((e) => e.symbol === "outlet");
  return end >= 0 && rung.earth ? placesOf(rung)[end]! + 40 : 0;
}

/** A path from rail to rail: what stands on it by its symbol and letter, each wire with its number, dots at the rails. */
export function LadderRung({ rung, net, y, ansi, earth, passed, draw }: Props) {
  const xs = placesOf(rung);
  const { elements, wires } = rung;
  const edges = [LEFT, ...elements.flatMap((e, i) => [xs[i]! - HALF[e.symbol], xs[i]! + HALF[e.symbol]]), RIGHT];
  const end = elements.findIndex((e) => e.symbol === "outlet");
  const drop = dropOf(rung);
  return (
    <g>
      {wires.map((wire, i) => {
        if (!wire) return null;
        const [from, to] = [edges[2 * i]!, edges[2 * i + 1]!];
        return draw(wire, `M ${from} ${y} H ${to}`, (from + to) / 2 - (i === 0 ? 4 : 0), y);
      })}
      {wires[0] && <Dot x={LEFT} y={y} />}
      {wires[wires.length - 1] && <Dot x={RIGHT} y={y} />}
      {elements.map((e, i) => {
        const x = xs[i]!;
        return (
          <g key={`${e.part} ${i}`}>
            {(e.symbol === "contact" || e.symbol === "solid") && (
              <Contact x={x - 20} y={y} ansi={ansi} solid={e.symbol === "solid"} />
            )}
            {e.symbol === "coil" && <Coil x={x - 18} y={y} ansi={ansi} />}
            {e.symbol === "cutOut" && <CutOut x={x - 13} y={y} />}
            {e.symbol === "outlet" && <Outlet x={x} y={y} ansi={ansi} />}
            {e.symbol === "box" && <Block x={x - 46} y={y} text={`${e.letter} ${e.label}`} />}
            {e.symbol === "lamp" && <Lamp x={x} y={y} ansi={ansi} />}
            {e.symbol !== "box" && (
              <text x={e.symbol === "outlet" ? x - 22 : x} y={labelAt(e.symbol, y)} {...haloed}>
                <tspan className="font-semibold">{e.letter}</tspan> {shortName(e.label, rung.outlet, e.symbol)}
              </text>
            )}
            <title>{`${sayMarked(e.from, net)} \u2013 ${sayMarked(e.to, net)}`}</title>
          </g>
        );
      })}
      {rung.beside.map(({ element, wires: [one, two] }) => {
        const x = xs[end]!;
        return (
          <g key={element.part}>
            {draw(one, `M ${x - 30} ${y} V ${y - 32} H ${x - 9}`, x - 30, y - 18)}
            {draw(two, `M ${x + 9} ${y - 32} H ${x + 30} V ${y}`, x + 30, y - 18)}
            <Dot x={x - 30} y={y} />
            <Dot x={x + 30} y={y} />
            <Lamp x={x} y={y - 32} ansi={ansi} />
            <text x={x + 12} y={y - 38} {...words}>
              {element.letter}
            </text>
          </g>
        );
      })}
      {rung.earth && end >= 0 && (
        <g>
          {draw(
            rung.earth,
            `M ${xs[end]} ${y + 20} V ${y + 24} H ${drop} V ${hops(passed, earth)}`,
            drop,
            (y + 24 + (passed[0] ?? earth)) / 2,
          )}
          <Dot x={drop} y={earth} />
        </g>
      )}
    </g>
  );
}

/** Down to the earth rail, in a small arc over each rung on the way. */
function hops(passed: readonly number[], earth: number): string {
  return passed.reduceRight((rest, y) => `${y - 6} a 6 6 0 0 1 0 12 V ${rest}`, `${earth}`);
}

/** Under its symbol; an outlet’s stands lower, beside the drop of its earth. */
const labelAt = (symbol: string, y: number): number => y + (symbol === "outlet" ? 48 : 34);

const shortName = (label: string, outlet: string | null, symbol: string): string => {
  if (symbol === "coil") return `coil, ${outlet}`;
  if (symbol === "outlet" || symbol === "cutOut" || !outlet) return label.toLowerCase();
  return `${label.replace(/, (heat|cold)$/, "").toLowerCase()}, ${outlet}`;
};
