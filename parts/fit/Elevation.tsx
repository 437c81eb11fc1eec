import { closedHeight, fullHeight } from "@/core/fit";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";
import type { DrawnFit } from "./geometry";
import { fromFront, profileOf } from "./shapes";

interface Props {
  fit: DrawnFit;
  metre: number;
  system: UnitSystem;
}

/** The inside from the front: what stands on what, and how much is left above it. */
export function Elevation({ fit: { space, placed, laid }, metre, system }: Props) {
  const [w, h] = [space.width * metre, space.height * metre];
  const long = (m: number) => printMeasure(Math.round(m * 100) / 100, measures.length, system);
  const up = (z: number) => h - z * metre;
  const pad = 40;
  return (
    <svg
      width={w + 2 * pad}
      height={h + 44}
      viewBox={`${-pad} -8 ${w + 2 * pad} ${h + 44}`}
      role="img"
      aria-label={`The inside from the front, ${long(space.height)} high`}
      className="max-w-full shrink-0"
    >
      <rect
        x="0"
        y="0"
        width={w}
        height={h}
        rx="3"
        fill="var(--color-base-100)"
        stroke="currentColor"
        strokeWidth="2"
      />
      {space.blocks
        .filter((b) => b.y0 === 0 || b.clear !== undefined)
        .map((b) => (
          <rect key={b.name} {...fromFront(b, metre, up)} fill="url(#block-hatch)" stroke="currentColor" />
        ))}
      {space.rim > 0 &&
        [0, w - space.rim * metre].map((at) => (
          <rect key={at} x={at} y="-5" width={space.rim * metre} height="7" fill="currentColor">
            <title>Rim of the opening</title>
          </rect>
        ))}
      {[...new Set(laid.map(({ block }) => block.z0))].map((z) => (
        <path key={z} d={`M 0 ${up(z)} H ${w}`} stroke="currentColor" strokeOpacity="0.35" strokeDasharray="2 3" />
      ))}
      {laid.map(({ block: b }, i) => (
        <rect
          key={i}
          {...fromFront(b, metre, up)}
          rx="2"
          fill="var(--honey)"
          fillOpacity="0.5"
          stroke="currentColor"
          strokeWidth="1.2"
        />
      ))}
      {/* What stands further back is drawn first. */}
      {[...placed]
        .sort((a, b) => a.at.y - b.at.y)
        .map(({ outline, at, hits }, i) => {
          const ink = hits.length > 0 ? "var(--color-error)" : "currentColor";
          const top = up(at.z + closedHeight(outline));
          const points = profileOf(outline).map(([px, pz]) => `${(at.x + px) * metre} ${up(at.z + pz)}`);
          const legs = outline.foot * 0.85 * metre;
          return (
            <g key={i} stroke={ink} strokeWidth={hits.length > 0 ? 2.5 : 1.6} fill="none">
              <path
                d={`M ${points.join(" L ")} Z`}
                strokeLinejoin="round"
                fill="var(--honey)"
                fillOpacity={hits.length > 0 ? 0.25 : 0.5}
              />
              {outline.legs > 0 &&
                [-legs, 0, legs].map((dx) => (
                  <path key={dx} d={`M ${at.x * metre + dx} ${up(at.z)} V ${up(at.z + outline.legs)}`} />
                ))}
              {outline.above > 0 && (
                <path d={`M ${at.x * metre} ${top} V ${top - outline.above * metre} m -5 0 h 10`} />
              )}
              {outline.reach > 0 && (
                <path d={`M ${at.x * metre - 8} ${up(at.z + fullHeight(outline))} h 16`} strokeDasharray="2 2" />
              )}
              {outline.handles > 0 && (
                <path
                  d={`M ${(at.x - outline.radius - (at.turned ? 0 : outline.handles)) * metre} ${up(at.z + outline.legs + outline.height * 0.8)} h ${2 * (outline.radius + (at.turned ? 0 : outline.handles)) * metre}`}
                />
              )}
            </g>
          );
        })}
      <g className="text-xs" fill="currentColor">
        <text x={w / 2} y={h + 20} textAnchor="middle">
          {long(space.width)}
        </text>
        <text x={-14} y={h / 2} textAnchor="middle" transform={`rotate(-90 -14 ${h / 2})`}>
          {long(space.height)}
        </text>
        {placed.slice(0, 1).map(({ outline, at }) => {
          const spare = space.height - at.z - fullHeight(outline);
          return (
            <text key="spare" x={w + 6} y={Math.max(12, up(at.z + fullHeight(outline)) + 4)}>
              {spare >= 0 ? `${long(spare)}` : `−${long(-spare)}`}
            </text>
          );
        })}
      </g>
    </svg>
  );
}
