import { boxes, isRound, isVesselItself } from "@/core/chamber";
import { productLabels } from "@/core/product";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";
import type { Chamber } from "@/core/model";
import { Contents, placeAll, probeSpot } from "./contents";
import { Shell, spaceOf } from "./shells";

interface Props {
  chamber: Chamber;
  /** Pixels of one metre: the same for every drawing on a shelf. */
  metre: number;
  system: UnitSystem;
  /** Measures beside the drawing. */
  measured?: boolean;
}

/** What the drawing shows, in words. */
function labelOf({ cabinet, vessels }: Chamber, system: UnitSystem): string {
  const loads = vessels.map((vessel) => {
    const what = vessel.product.kind === "hold" ? "what is held" : productLabels[vessel.product.kind].toLowerCase();
    const count = vessel.count > 1 ? `${vessel.count} times ` : "";
    return `${count}${printMeasure(vessel.volume, measures.volume, system)} of ${what}`;
  });
  const tall = printMeasure(cabinet.height + cabinet.collar, measures.length, system);
  const wide = printMeasure(cabinet.width, measures.length, system);
  return `${boxes[cabinet.kind].label}, ${tall} tall and ${wide} ${isRound(cabinet.kind) ? "across" : "wide"}, with ${loads.join(" and ")} in it`;
}

/** A box with what stands in it, in elevation and to scale. */
export function CabinetDrawing({ chamber, metre, system, measured = false }: Props) {
  const { cabinet } = chamber;
  const space = spaceOf({ chamber, metre });
  const placed = placeAll(chamber, space, metre);
  const pad = measured ? 44 : 10;
  const above = cabinet.kind === "brick" || cabinet.kind === "drum" || isVesselItself(cabinet.kind) ? 14 : 4;
  const w = cabinet.width * metre;
  const h = (cabinet.height + cabinet.collar) * metre;
  const long = (m: number) => printMeasure(m, measures.length, system);
  return (
    <svg
      width={w + pad * 2 + (cabinet.kind === "drum" ? 16 : 0)}
      height={h + above + (measured ? pad : 8)}
      viewBox={`${-pad} ${-above} ${w + pad * 2 + (cabinet.kind === "drum" ? 16 : 0)} ${h + above + (measured ? pad : 8)}`}
      role="img"
      aria-label={labelOf(chamber, system)}
      className="max-w-full shrink-0 overflow-visible"
    >
      <Shell chamber={chamber} metre={metre} />
      <Contents chamber={chamber} placed={placed} metre={metre} />
      {chamber.probes.map((_, i) => {
        const [x, y] = probeSpot(chamber, space, placed, i, metre);
        const at = x + i * 7;
        return (
          <g key={i}>
            <path
              d={`M ${at} ${y} C ${at + 8} ${y - 20} ${w - 6} ${y - 6} ${w} ${Math.max(4, y - 26)}`}
              fill="none"
              stroke="currentColor"
              strokeWidth="1.2"
            />
            <circle
              cx={at}
              cy={y}
              r={i === 0 ? 4 : 3}
              fill="var(--color-base-100)"
              stroke="currentColor"
              strokeWidth={i === 0 ? 2 : 1.2}
            />
          </g>
        );
      })}
      {measured && (
        <g className="text-xs" fill="currentColor" stroke="none">
          <path d={`M -12 0 V ${h} m -4 0 h 8 M -16 0 h 8`} stroke="currentColor" fill="none" />
          <text x={-18} y={h / 2} textAnchor="middle" transform={`rotate(-90 -18 ${h / 2})`}>
            {long(cabinet.height + cabinet.collar)}
          </text>
          <path d={`M 0 ${h + 12} H ${w} m 0 -4 v 8 M 0 ${h + 8} v 8`} stroke="currentColor" fill="none" />
          <text x={w / 2} y={h + 30} textAnchor="middle">
            {long(cabinet.width)}
          </text>
        </g>
      )}
    </svg>
  );
}
