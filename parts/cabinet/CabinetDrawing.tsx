import { AIRLOCK_HEIGHT, insideOf, vesselSize } from "@/core/chamber";
import { productLabels } from "@/core/product";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";
import type { Chamber, ProbePlace } from "@/core/model";

interface Props {
  chamber: Chamber;
  /** Pixels of one metre: the same for every drawing on a shelf. */
  metre: number;
  system: UnitSystem;
  /** Measures beside the drawing. */
  measured?: boolean;
}

/** Where the probe sits, in metres from the vessel's middle and from its bottom. */
function probeSpot(place: ProbePlace, radius: number, height: number, width: number, top: number): [number, number] {
  switch (place) {
    case "strapped":
    case "bare":
      return [radius, height * 0.5];
    case "dryWell":
    case "filledWell":
      return [0, height * 0.45];
    case "waterBottle":
      return [(radius + width / 2) / 2 + 0.01, 0.12];
    case "air":
      return [Math.min(width / 2 - 0.03, radius + 0.06), Math.min(top - 0.05, height + 0.12)];
  }
}

/** A cabinet with what stands in it, in elevation and to scale. */
export function CabinetDrawing({ chamber, metre, system, measured = false }: Props) {
  const { cabinet, heater } = chamber;
  const vessel = chamber.vessels[0]!;
  const probe = chamber.probes[0]!;
  const inside = insideOf(cabinet);
  const size = vesselSize(vessel);
  const pad = measured ? 44 : 6;
  const w = cabinet.width * metre;
  const h = cabinet.height * metre;
  const floor = h - (cabinet.height - inside.height - cabinet.insulation) * metre;
  const left = cabinet.insulation * metre;
  const middle = w / 2;
  const r = (size.diameter / 2) * metre;
  const tall = size.height * metre;
  const fill = tall / 1.15;
  const [px, py] = probeSpot(probe.place, size.diameter / 2, size.height, inside.width, inside.height);
  const label = `Upright cabinet ${printMeasure(cabinet.height, measures.length, system)} tall and ${printMeasure(cabinet.width, measures.length, system)} wide, with ${printMeasure(vessel.volume, measures.volume, system)} of ${productLabels[vessel.product.kind].toLowerCase()} in it`;
  return (
    <svg
      width={w + pad * 2}
      height={h + pad + 8}
      viewBox={`${-pad} -4 ${w + pad * 2} ${h + pad + 8}`}
      role="img"
      aria-label={label}
      className="max-w-full shrink-0"
    >
      <rect
        x="0"
        y="0"
        width={w}
        height={h - 3}
        rx="5"
        fill="var(--color-base-200)"
        stroke="currentColor"
        strokeWidth="1.6"
      />
      <rect
        x={left}
        y={cabinet.insulation * metre}
        width={w - 2 * left}
        height={inside.height * metre}
        rx="3"
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth="1"
      />
      <path d={`M ${w * 0.12} ${h - 3} v 5 M ${w * 0.88} ${h - 3} v 5`} stroke="currentColor" strokeWidth="4" />
      {/* the cold plate at the back, dotted, and the heater on the floor, hatched */}
      {chamber.cooler.power > 0 && (
        <rect
          x={middle - w * 0.22}
          y={cabinet.insulation * metre + 6}
          width={w * 0.44}
          height={Math.max(8, inside.height * metre * 0.12)}
          fill="url(#dots-cold)"
          stroke="var(--cold)"
          strokeWidth="1"
          rx="2"
        />
      )}
      <line x1={left} x2={w - left} y1={floor - 7} y2={floor - 7} stroke="currentColor" strokeWidth="1.6" />
      {heater.power > 0 && (
        <rect
          x={left + 4}
          y={floor - 6}
          width={w - 2 * left - 8}
          height="5"
          fill="url(#hatch-heat)"
          stroke="var(--heat)"
          strokeWidth="0.8"
        />
      )}
      {/* the vessel, its contents, its airlock */}
      <g transform={`translate(${middle} ${floor - 8})`}>
        <path d={`M ${-r} ${-fill} H ${r} L ${r * 0.92} 0 H ${-r * 0.92} Z`} fill="var(--honey)" opacity="0.85" />
        <path
          d={`M ${-r} ${-tall} L ${-r * 0.92} 0 H ${r * 0.92} L ${r} ${-tall}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.6"
        />
        <path d={`M ${-r - 2} ${-tall} H ${r + 2}`} stroke="currentColor" strokeWidth="3" />
        <path d={`M 0 ${-tall} v ${-AIRLOCK_HEIGHT * metre} m -4 0 h 8`} stroke="currentColor" strokeWidth="1.4" />
        <path
          d={`M ${px * metre} ${-py * metre} C ${px * metre + 8} ${-py * metre - 20} ${w / 2 - left - 2} ${-py * metre - 10} ${w / 2} ${-py * metre - 24}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.2"
        />
        <circle
          cx={px * metre}
          cy={-py * metre}
          r="4"
          fill="var(--color-base-100)"
          stroke="currentColor"
          strokeWidth="2"
        />
      </g>
      {measured && (
        <g className="text-[12px]" fill="currentColor" stroke="none">
          <path d={`M -10 0 V ${h} m -4 0 h 8 M -14 0 h 8`} stroke="currentColor" fill="none" />
          <text x={-16} y={h / 2} textAnchor="middle" transform={`rotate(-90 -16 ${h / 2})`}>
            {printMeasure(cabinet.height, measures.length, system)}
          </text>
          <path d={`M 0 ${h + 12} H ${w} m 0 -4 v 8 M 0 ${h + 8} v 8`} stroke="currentColor" fill="none" />
          <text x={middle} y={h + 30} textAnchor="middle">
            {printMeasure(cabinet.width, measures.length, system)}
          </text>
        </g>
      )}
    </svg>
  );
}
