"use client";

import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { LEFT, RIGHT } from "./margins";
import type { View } from "./view";

/** A stage on the axis of the trial. */
export interface StripStage {
  id: string;
  name: string;
  /** What is held in it, in words. */
  says: string;
  from: number;
  to: number;
  /** Its end came within the trial; only then it can be moved. */
  ended: boolean;
}

/** Something to do, as a peg below the stages. */
export interface StripPeg {
  id: string;
  at: number;
  /** Numbers are keyed in, or else something is done. */
  keyed: boolean;
}

interface Props {
  stages: readonly StripStage[];
  pegs: readonly StripPeg[];
  view: View;
  chosen: string;
  /** px */
  total: number;
  /** Without a trace below it: over the whole width. */
  alone?: boolean;
  /** How a moment is written, s from the start. */
  say: (at: number) => string;
  onPick: (id: string) => void;
  /** The end of a stage has been moved to a moment. */
  onEnd: (id: string, to: number, merge?: string) => void;
}

const HOUR = 3600;
/** Steps in which an end is moved, s: finer where less time is in view. */
const stepOf = ({ from, to }: View): number => (to - from > 2 * 24 * HOUR ? HOUR : to - from > 6 * HOUR ? 300 : 60);
const LETTER = 7;

/** Height of the strip, px. */
export const STRIP = 44;

/**
 * The stages of a program above the trace, in its scale of time: one is picked, an end is dragged or stepped with the
 * arrow keys, what there is to do hangs below them as pegs.
 */
export function ProgramStrip({ stages, pegs, view, chosen, total, alone = false, say, onPick, onEnd }: Props) {
  const [dragged, setDragged] = useState<{ id: string; to: number } | null>(null);
  const strip = useRef<HTMLDivElement>(null);
  const [left, right] = alone ? [12, 12] : [LEFT, RIGHT];
  const plot = Math.max(10, total - left - right);
  const x = (t: number) => left + Math.min(1, Math.max(0, (t - view.from) / (view.to - view.from))) * plot;
  const step = stepOf(view);
  const timeAt = (event: PointerEvent): number => {
    const box = strip.current!.getBoundingClientRect();
    // Where text is larger the strip is drawn larger as a whole.
    const scale = box.width / total || 1;
    return view.from + (((event.clientX - box.left) / scale - left) / plot) * (view.to - view.from);
  };
  const within = ({ from }: StripStage, to: number) => Math.max(from + step, Math.round(to / step) * step);
  const onKeyDown = (stage: StripStage) => (event: KeyboardEvent) => {
    const by = {
      ArrowRight: step,
      ArrowUp: step,
      ArrowLeft: -step,
      ArrowDown: -step,
      PageUp: 24 * HOUR,
      PageDown: -24 * HOUR,
    }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onEnd(stage.id, within(stage, stage.to + by), `end ${stage.id}`);
  };
  const seen = stages.filter((s) => s.to > view.from && s.from < view.to);
  return (
    <div ref={strip} className="relative" style={{ width: total, height: STRIP }} role="group" aria-label="Program">
      {seen.map((stage) => {
        const to = dragged?.id === stage.id ? dragged.to : stage.to;
        const [begin, end] = [x(stage.from), x(to)];
        const here = stage.id === chosen;
        const wide = end - begin;
        const number = stages.indexOf(stage) + 1;
        return (
          <button
            key={stage.id}
            type="button"
            aria-pressed={here}
            aria-label={`${stage.name}: ${stage.says}, ${say(stage.from)} to ${say(stage.to)}`}
            title={`${stage.name}: ${stage.says}`}
            onClick={() => onPick(stage.id)}
            className={`absolute top-0 h-[34px] overflow-hidden border-r border-l text-left text-[13px] leading-[16px] whitespace-nowrap ${here ? "bg-base-content text-base-100 border-base-content" : "bg-base-200 border-base-content/50"}`}
            style={{ left: begin, width: Math.max(2, wide) }}
          >
            <span className="block px-1 font-semibold">
              {wide > stage.name.length * LETTER + 10 ? stage.name : wide > 16 ? number : ""}
            </span>
            {wide > stage.says.length * LETTER + 10 && <span className="block px-1">{stage.says}</span>}
          </button>
        );
      })}
      <svg
        className="pointer-events-none absolute inset-0"
        width={total}
        height={STRIP}
        fill="currentColor"
        aria-hidden
      >
        {pegs
          .filter((p) => p.at >= view.from && p.at <= view.to)
          .map((p) =>
            p.keyed ? (
              <rect key={p.id} x={x(p.at) - 3.5} y="36" width="7" height="7" />
            ) : (
              <circle key={p.id} cx={x(p.at)} cy="39.5" r="3.5" fill="none" stroke="currentColor" strokeWidth="2" />
            ),
          )}
      </svg>
      {seen
        .filter((s) => s.ended && s.to <= view.to)
        .map((stage) => {
          const to = dragged?.id === stage.id ? dragged.to : stage.to;
          return (
            <button
              key={stage.id}
              type="button"
              role="slider"
              aria-label={`End of ${stage.name}`}
              aria-orientation="horizontal"
              aria-valuemin={stage.from}
              aria-valuemax={view.to}
              aria-valuenow={to}
              aria-valuetext={say(to)}
              className="group absolute top-0 grid h-[44px] w-[24px] cursor-ew-resize touch-none place-items-center"
              style={{ left: x(to) - 12 }}
              onKeyDown={onKeyDown(stage)}
              onPointerDown={(event) => {
                if (event.button !== 0) return;
                event.currentTarget.setPointerCapture(event.pointerId);
                setDragged({ id: stage.id, to: stage.to });
              }}
              onPointerMove={(event) => {
                if (dragged?.id === stage.id) setDragged({ id: stage.id, to: within(stage, timeAt(event)) });
              }}
              onPointerUp={() => {
                if (dragged && Math.abs(dragged.to - stage.to) >= step / 2) onEnd(stage.id, dragged.to);
                setDragged(null);
              }}
              onPointerCancel={() => setDragged(null)}
            >
              <span className="bg-base-content h-[26px] w-[4px] rounded group-hover:w-[6px]" aria-hidden />
            </button>
          );
        })}
      {dragged && (
        <span
          className="bg-base-content text-base-100 pointer-events-none absolute top-0 z-10 px-1 text-[13px] whitespace-nowrap"
          style={x(dragged.to) < total - 160 ? { left: x(dragged.to) + 14 } : { right: total - x(dragged.to) + 14 }}
        >
          {say(dragged.to)}
        </span>
      )}
    </div>
  );
}
