"use client";

import { Minus, Plus } from "lucide-react";
import { useRef, useState, type PointerEvent } from "react";
import { Lens } from "./Lens";
import { glazeColor, lensOf, showMark, slides, type RulerData } from "./marks";
import { Overview } from "./Overview";
import { spread } from "./spread";
import { useMarkMoves } from "./useMarkMoves";
import { useSize } from "./useSize";

const TOP = 26;
const AXIS = 60;
const LABELS = 99;
/** Of touch size where the room lets them; then as low as two lines are. */
const SMALL = [34, 44] as const;
const STEPPERS = 52;

/** The standing band ruler: overview, lens and labels that never overlap; one mark is selected and can be moved. */
export function BandRuler({ data }: { data: RulerData }) {
  const { ref, height, width } = useSize<HTMLDivElement>();
  const length = Math.max(120, height - TOP - 24);
  const fresh = lensOf(data.marks, data.scale);
  // While a mark is dragged the lens stands still, or the scale would run away under the hand.
  const [held, setHeld] = useState<[number, number] | null>(null);
  const lens = held ?? fresh;
  const [low, high] = lens;
  const box = useRef<HTMLDivElement>(null);
  const valueAt = (event: PointerEvent) => {
    const top = box.current?.getBoundingClientRect().top ?? 0;
    return low + ((length - (event.clientY - top - TOP)) / length) * (high - low);
  };
  const moves = useMarkMoves(data, valueAt);
  const at = (t: number) => TOP + length - ((Math.min(high, Math.max(low, t)) - low) / (high - low)) * length;

  const sorted = [...data.marks].sort((a, b) => b.value - a.value);
  const [least, most] = SMALL;
  const small = Math.min(most, Math.max(least, Math.floor((height - STEPPERS - 8) / sorted.length) - 4));
  const sizes = sorted.map((m) => (m.id === moves.selected && m.onMove ? small + STEPPERS : small));
  const placed = spread(
    sorted.map((m) => at(m.value)),
    sizes,
    4,
    Math.max(
      height - 4,
      sizes.reduce((a, b) => a + b, 0),
    ),
  );

  // One stop for the keyboard: the chosen mark, or the one that matters most.
  const stop = [moves.selected, "setpoint"].find((id) => sorted.some((m) => m.id === id)) ?? sorted[0]?.id;
  const goTo = (i: number, from: Element) => {
    const { id } = sorted[(i + sorted.length) % sorted.length]!;
    from.closest("[role=group]")?.querySelector<HTMLElement>(`[data-mark="${id}"]`)?.focus();
  };

  return (
    <div
      ref={ref}
      className="h-full min-h-64 w-full select-none"
      role="group"
      aria-label="Band ruler: every temperature of this chamber on one scale"
    >
      <div
        ref={box}
        className="relative h-full"
        onPointerDown={(e) => e.target === e.currentTarget && moves.select(null)}
      >
        {height > 0 && (
          <>
            <svg width={width} height={height} className="pointer-events-none absolute inset-0 overflow-visible">
              <g transform={`translate(6 ${TOP})`}>
                <Overview data={data} lens={lens} length={length} lying={false} />
              </g>
              <g transform={`translate(${AXIS} ${TOP})`}>
                <Lens data={data} lens={lens} length={length} lying={false} selected={moves.selected} />
              </g>
              {sorted.map((mark, i) => (
                <path
                  key={mark.id}
                  d={`M ${AXIS + 27} ${at(mark.value)} L ${LABELS - 3} ${placed[i]! - (sizes[i]! - small) / 2}`}
                  stroke={glazeColor[mark.glaze]}
                  strokeWidth={mark.id === moves.selected ? 2 : 1}
                  fill="none"
                />
              ))}
            </svg>
            {sorted.map((mark, i) => {
              const chosen = mark.id === moves.selected;
              const outside = mark.value < low ? "\u2193\u00a0" : mark.value > high ? "\u2191\u00a0" : "";
              return (
                <div
                  key={mark.id}
                  className="absolute right-0"
                  style={{ left: LABELS, top: placed[i]! - sizes[i]! / 2, height: sizes[i] }}
                >
                  <div
                    role={mark.onMove ? "slider" : "note"}
                    tabIndex={mark.id === stop ? 0 : -1}
                    aria-orientation={mark.onMove ? "vertical" : undefined}
                    aria-label={mark.label}
                    {...(mark.onMove ? slides(data, mark) : {})}
                    data-mark={mark.id}
                    style={{ height: small }}
                    className={`grid w-full touch-none content-center rounded px-1 text-left leading-tight ${mark.onMove ? "cursor-ns-resize" : ""} ${chosen ? "bg-base-200" : ""}`}
                    onFocus={() => moves.select(mark.id)}
                    onKeyDown={moves.onKeyDown(mark, (by, from) => goTo(i - by, from))}
                    {...(() => {
                      const h = moves.handlers(mark);
                      return {
                        ...h,
                        onPointerDown: (e: PointerEvent) => {
                          h.onPointerDown(e);
                          if (mark.onMove) setHeld(lens);
                        },
                        onPointerUp: () => {
                          h.onPointerUp();
                          setHeld(null);
                        },
                        onPointerCancel: () => {
                          h.onPointerCancel();
                          setHeld(null);
                        },
                      };
                    })()}
                  >
                    <span className="block text-xs whitespace-nowrap">{mark.label}</span>
                    <span
                      className="block text-[0.9375rem] font-bold whitespace-nowrap"
                      style={{ color: glazeColor[mark.glaze] }}
                    >
                      {outside}
                      {showMark(mark, data.scale, data.resolution)}
                    </span>
                  </div>
                  {chosen && mark.onMove && (
                    <div className="mt-1 flex gap-1">
                      <button
                        type="button"
                        tabIndex={-1}
                        className="key bg-base-100 grow p-0"
                        aria-label={`${mark.label}: colder`}
                        onClick={() => moves.nudge(mark, -1)}
                      >
                        <Minus size={18} aria-hidden />
                      </button>
                      <button
                        type="button"
                        tabIndex={-1}
                        className="key bg-base-100 grow p-0"
                        aria-label={`${mark.label}: warmer`}
                        onClick={() => moves.nudge(mark, 1)}
                      >
                        <Plus size={18} aria-hidden />
                      </button>
                    </div>
                  )}
                </div>
              );
            })}
            {moves.problem && (
              <p
                role="alert"
                className="bg-base-100 border-error text-error absolute inset-x-1 bottom-1 border-2 p-2 text-sm font-semibold"
              >
                {moves.problem}
              </p>
            )}
          </>
        )}
      </div>
    </div>
  );
}
