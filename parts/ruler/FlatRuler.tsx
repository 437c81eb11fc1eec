"use client";

import { ChevronLeft, ChevronRight, Minus, Plus } from "lucide-react";
import { useRef, useState, type PointerEvent } from "react";
import { Lens } from "./Lens";
import { glazeColor, lensOf, showMark, slides, type RulerData } from "./marks";
import { useMarkMoves } from "./useMarkMoves";
import { useSize } from "./useSize";

/** Kept free at both ends, where a phone's back swipe lives. */
const INSET = 26;
const REACH = 22;

/** The ruler lying under the title of a phone: the lens, and one selected mark with its steppers. */
export function FlatRuler({ data }: { data: RulerData }) {
  const { ref, width } = useSize<HTMLDivElement>();
  const length = Math.max(100, width - 2 * INSET);
  const [held, setHeld] = useState<[number, number] | null>(null);
  const lens = held ?? lensOf(data.marks, data.scale);
  const [low, high] = lens;
  const box = useRef<HTMLDivElement>(null);
  const valueAt = (event: PointerEvent) => {
    const left = box.current?.getBoundingClientRect().left ?? 0;
    return low + ((event.clientX - left - INSET) / length) * (high - low);
  };
  const moves = useMarkMoves(data, valueAt);
  const sorted = [...data.marks].sort((a, b) => a.value - b.value);
  const current = sorted.find((m) => m.id === moves.selected) ?? sorted.find((m) => m.id === "setpoint") ?? sorted[0]!;
  const index = sorted.indexOf(current);
  const at = (t: number) => INSET + ((Math.min(high, Math.max(low, t)) - low) / (high - low)) * length;
  const other = (by: number) => moves.select(sorted[(index + by + sorted.length) % sorted.length]!.id);

  const nearest = (event: PointerEvent) => {
    const x = event.clientX - (box.current?.getBoundingClientRect().left ?? 0);
    const close = [...sorted].sort((a, b) => Math.abs(at(a.value) - x) - Math.abs(at(b.value) - x))[0]!;
    if (Math.abs(at(current.value) - x) <= REACH) return current;
    return close;
  };

  return (
    <div ref={ref} role="group" aria-label="Band ruler: every temperature of this chamber on one scale">
      <div
        ref={box}
        className="low:hidden relative h-[54px] touch-pan-y select-none"
        onPointerDown={(event) => {
          const mark = nearest(event);
          setHeld(lens);
          moves.handlers(mark).onPointerDown(event);
        }}
        onPointerMove={(event) => {
          if (held) moves.handlers(current).onPointerMove(event);
        }}
        onPointerUp={() => {
          moves.handlers(current).onPointerUp();
          setHeld(null);
        }}
        onPointerCancel={() => {
          moves.handlers(current).onPointerCancel();
          setHeld(null);
        }}
      >
        {width > 0 && (
          <svg width={width} height={48} className="pointer-events-none absolute inset-0 overflow-visible" aria-hidden>
            <g transform={`translate(${INSET} 22)`}>
              <Lens data={data} lens={lens} length={length} lying selected={current.id} />
            </g>
            <path d={`M ${at(current.value)} 47 l -6 5 h 12 z`} fill={glazeColor[current.glaze]} />
          </svg>
        )}
      </div>
      <div className="flex flex-wrap items-stretch justify-center gap-x-1">
        <button
          type="button"
          tabIndex={-1}
          className="key border-transparent px-0"
          onClick={() => other(-1)}
          aria-label="Next colder mark"
        >
          <ChevronLeft size={20} aria-hidden />
        </button>
        <div
          role={current.onMove ? "slider" : "note"}
          tabIndex={0}
          aria-label={current.label}
          {...(current.onMove ? slides(data, current) : {})}
          data-mark={current.id}
          className="low:flex low:items-center low:justify-center low:gap-3 grid min-w-0 grow content-center text-center leading-tight"
          onKeyDown={moves.onKeyDown(current, other)}
        >
          <span className="text-sm">{current.label}</span>
          <span className="font-bold" style={{ color: glazeColor[current.glaze] }}>
            {showMark(current, data.scale, data.resolution)}
          </span>
        </div>
        {current.onMove && (
          <>
            <button
              type="button"
              tabIndex={-1}
              className="key px-0"
              aria-label={`${current.label}: colder`}
              onClick={() => moves.nudge(current, -1)}
            >
              <Minus size={18} aria-hidden />
            </button>
            <button
              type="button"
              tabIndex={-1}
              className="key px-0"
              aria-label={`${current.label}: warmer`}
              onClick={() => moves.nudge(current, 1)}
            >
              <Plus size={18} aria-hidden />
            </button>
          </>
        )}
        <button
          type="button"
          tabIndex={-1}
          className="key border-transparent px-0"
          onClick={() => other(1)}
          aria-label="Next warmer mark"
        >
          <ChevronRight size={20} aria-hidden />
        </button>
      </div>
      {moves.problem && (
        <p role="alert" className="text-error px-3 pb-1 text-sm font-semibold">
          {moves.problem}
        </p>
      )}
    </div>
  );
}
