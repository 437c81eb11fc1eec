"use client";

import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { extents, widest, type Block, type Placed } from "@/core/fit";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";
import { snapped, type DrawnFit, type Moved } from "./geometry";
import { fromAbove } from "./shapes";

interface Props {
  fit: DrawnFit;
  /** Pixels of a metre. */
  metre: number;
  system: UnitSystem;
  onMove: Moved;
}

const steps: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The inside from above, the back at the top: vessels are dragged, or moved by the arrow keys and turned with R. */
export function Plan({ fit: { space, placed, laid }, metre, system, onMove }: Props) {
  const [w, d] = [space.width * metre, space.depth * metre];
  const long = (m: number) => printMeasure(Math.round(m * 100) / 100, measures.length, system);
  const pad = 34;
  return (
    <svg
      width={w + 2 * pad}
      height={d + 2 * pad}
      viewBox={`${-pad} ${-pad} ${w + 2 * pad} ${d + 2 * pad}`}
      role="group"
      aria-label={`The inside from above, ${long(space.width)} wide and ${long(space.depth)} deep`}
      className="max-w-full shrink-0"
    >
      {space.round ? (
        <circle cx={w / 2} cy={d / 2} r={w / 2} {...wall} />
      ) : (
        <rect x="0" y="0" width={w} height={d} rx="3" {...wall} />
      )}
      {space.blocks
        .filter((b) => b.y1 - b.y0 < space.depth - 1e-6)
        .map((b) => (
          <g key={b.name}>
            <rect
              {...fromAbove(b, metre)}
              fill="url(#block-hatch)"
              stroke="currentColor"
              strokeDasharray={b.z0 > 0.01 ? "4 3" : undefined}
            />
            {(b.clear ?? 0) > 0 && (
              <rect
                x={(b.x0 - b.clear!) * metre}
                y={(b.y0 - b.clear!) * metre}
                width={(b.x1 - b.x0 + 2 * b.clear!) * metre}
                height={(b.y1 - b.y0 + 2 * b.clear!) * metre}
                rx={b.clear! * metre}
                fill="none"
                stroke="currentColor"
                strokeOpacity="0.6"
                strokeDasharray="1 4"
                clipPath="url(#plan-inside)"
              />
            )}
            {roomFor(b.name, (b.x1 - b.x0) * metre) ? (
              <text x={(b.x0 * metre + b.x1 * metre) / 2} y={b.y0 * metre + 14} textAnchor="middle" {...words}>
                {b.name.replace(/^the /, "")}
              </text>
            ) : (
              <title>{b.name.replace(/^the /, "")}</title>
            )}
          </g>
        ))}
      <Hatch />
      <clipPath id="plan-inside">
        <rect width={w} height={d} />
      </clipPath>
      <text x={w / 2} y={-10} textAnchor="middle" {...words}>
        back
      </text>
      <text x={w / 2} y={d + 24} textAnchor="middle" {...words}>
        front · {long(space.width)}
      </text>
      <text x={-12} y={d / 2} textAnchor="middle" transform={`rotate(-90 -12 ${d / 2})`} {...words}>
        {long(space.depth)}
      </text>
      {seenFromAbove(laid).map(({ block: b, over }, i) => (
        <g key={i}>
          <rect
            {...fromAbove(b, metre)}
            rx="3"
            fill="var(--honey)"
            fillOpacity="0.4"
            stroke="currentColor"
            strokeWidth="1.4"
          />
          {over > 1 && (b.x1 - b.x0) * metre > 60 && (
            <text x={((b.x0 + b.x1) / 2) * metre} y={((b.y0 + b.y1) / 2) * metre + 4} textAnchor="middle" {...words}>
              {over} layers
            </text>
          )}
        </g>
      ))}
      {placed.map((p, i) => (
        <Vessel
          key={i}
          placed={p}
          index={i}
          several={placed.length > 1}
          metre={metre}
          system={system}
          onMove={onMove}
        />
      ))}
    </svg>
  );
}

/** Trays that lie over one another are drawn once, with how many they are. */
function seenFromAbove(laid: DrawnFit["laid"]): { block: Block; over: number }[] {
  const stacks = new Map<string, { block: Block; over: number }>();
  for (const { block } of laid) {
    const key = [block.x0, block.x1, block.y0].map((m) => Math.round(m * 1000)).join(" ");
    const stack = stacks.get(key);
    if (stack) stack.over++;
    else stacks.set(key, { block, over: 1 });
  }
  return [...stacks.values()];
}

/** Whether a name stands within so many pixels. */
const roomFor = (name: string, width: number): boolean => name.length * 6 < width;

const wall = { fill: "var(--color-base-100)", stroke: "currentColor", strokeWidth: 2 } as const;
const words = { fill: "currentColor", className: "text-xs" } as const;

/** The hatch of what is in the way; one for all drawings of a page does. */
export const Hatch = () => (
  <defs>
    <pattern id="block-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="6" height="6" fill="var(--color-base-200)" />
      <path d="M 0 0 V 6" stroke="currentColor" strokeOpacity="0.35" strokeWidth="1.4" />
    </pattern>
  </defs>
);

interface VesselProps {
  placed: Placed;
  index: number;
  several: boolean;
  metre: number;
  system: UnitSystem;
  onMove: Moved;
}

function Vessel({ placed: { outline, at, on, hits, name }, index, several, metre, system, onMove }: VesselProps) {
  const grip = useRef<{ x: number; y: number } | null>(null);
  const long = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  const r = outline.radius * metre;
  const { side, front, back } = extents(outline, at.turned);
  const bad = hits.length > 0;
  const ink = bad ? "var(--color-error)" : "currentColor";
  /** Where the pointer is, m: the drawing may be shown smaller than it is. */
  const pointed = (e: PointerEvent<SVGGElement>) => {
    const svg = e.currentTarget.ownerSVGElement!;
    const to = svg.getScreenCTM()!.inverse();
    const point = new DOMPoint(e.clientX, e.clientY).matrixTransform(to);
    return { x: point.x / metre, y: point.y / metre };
  };
  const keyed = (e: KeyboardEvent) => {
    const step = steps[e.key];
    if (step) {
      e.preventDefault();
      const by = e.shiftKey ? 0.05 : 0.01;
      onMove(index, { x: snapped(at.x + step[0] * by), y: snapped(at.y + step[1] * by), turned: at.turned });
    } else if (e.key.toLowerCase() === "r") {
      e.preventDefault();
      onMove(index, { x: at.x, y: at.y, turned: !at.turned });
    }
  };
  const said = bad
    ? `runs into ${hits.map((h) => `${h.with} by ${long(h.by)}`).join(", ")}`
    : `stands on the ${on}, ${long(at.x)} from the left and ${long(at.y)} from the back`;
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={several ? `${name}, number ${index + 1}` : name}
      aria-valuenow={Math.round(at.x * 1000)}
      aria-valuetext={said}
      className="cursor-grab touch-none outline-none focus-visible:[&>circle]:stroke-[4]"
      transform={`translate(${at.x * metre} ${at.y * metre})`}
      onKeyDown={keyed}
      onPointerDown={(e) => {
        const to = pointed(e);
        grip.current = { x: to.x - at.x, y: to.y - at.y };
        e.currentTarget.setPointerCapture(e.pointerId);
      }}
      onPointerMove={(e) => {
        if (!grip.current) return;
        const to = pointed(e);
        const next = { x: snapped(to.x - grip.current.x), y: snapped(to.y - grip.current.y) };
        if (next.x !== at.x || next.y !== at.y) onMove(index, { ...next, turned: at.turned });
      }}
      onPointerUp={() => (grip.current = null)}
      onPointerCancel={() => (grip.current = null)}
    >
      {/* A target of touch size, however small the jar. */}
      <circle r={Math.max(22, r)} fill="transparent" />
      {(outline.handles > 0 || outline.tap > 0) && (
        <rect
          x={-(at.turned ? outline.radius : side) * metre}
          y={-back * metre}
          width={(at.turned ? outline.radius + side : 2 * side) * metre}
          height={(back + front) * metre}
          fill="none"
          stroke={ink}
          strokeDasharray="2 3"
        />
      )}
      {outline.lidOver > 0 && <circle r={widest(outline) * metre} fill="none" stroke={ink} strokeDasharray="1 3" />}
      {outline.foot < outline.radius - 1e-6 && (
        <circle r={outline.foot * metre} fill="none" stroke={ink} strokeOpacity="0.5" />
      )}
      <circle
        r={r}
        fill="var(--honey)"
        fillOpacity={bad ? 0.25 : 0.5}
        stroke={ink}
        strokeWidth={bad ? 2.5 : 1.6}
        strokeDasharray={on === "shelf" ? "5 3" : undefined}
      />
      {bad && <path d="M -6 -6 L 6 6 M 6 -6 L -6 6" stroke={ink} strokeWidth="2.5" />}
    </g>
  );
}
