"use client";

import { useEffect, useRef, useState, type KeyboardEvent } from "react";
import { celsius, inScale, printMoment, printNumber, scaleSign, type Scale } from "@/core/quantity";
import type { Channel, TraceLayer, Trace } from "@/core/trial";
import { usePointers } from "./usePointers";
import { panned, zoomed, type View } from "./view";

/** What the cursor lets the person do; all of it absent where the chart is only looked at. */
export interface CursorMoves {
  /** Length of the whole trial, s. */
  end?: number;
  onView?: (view: View) => void;
  /** A moment was chosen by click or Enter. */
  onPick?: (moment: number) => void;
  /** The moment that the cursor rests on, s; null for none. */
  at?: number | null;
  onAt?: (moment: number | null) => void;
}

interface Props extends CursorMoves {
  trace: Trace;
  view: View;
  scale: Scale;
  startHour: number;
  shown: readonly Channel[];
  layers: readonly (TraceLayer & { label: string })[];
  judged: string;
  left: number;
  top: number;
  width: number;
  height: number;
}

const BOX = 200;

/** A cursor over the trace: all values of the moment in words; wheel, fingers and keys zoom and pan. */
export function Cursor(props: Props) {
  const { trace, view, startHour, left, top, width, height, onView, onPick, onAt } = props;
  const [hover, setHover] = useState<number | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const end = props.end ?? view.to;
  const span = view.to - view.from;
  const moment = hover ?? props.at ?? null;
  const inSight = moment !== null && moment >= view.from && moment <= view.to;

  const pointers = usePointers({
    box,
    width,
    view,
    end,
    onView,
    onHover: setHover,
    onClick: (at) => {
      onAt?.(at);
      onPick?.(at);
    },
  });
  // React listens to the wheel passively; zooming has to keep the page from scrolling.
  useEffect(() => {
    const element = box.current;
    if (!element || !onView) return;
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      const rect = element.getBoundingClientRect();
      const around = view.from + ((event.clientX - rect.left) / (rect.width || width)) * span;
      if (Math.abs(event.deltaX) > Math.abs(event.deltaY)) onView(panned(view, (event.deltaX / width) * span, end));
      else onView(zoomed(view, Math.exp(event.deltaY * 0.0015), around, end));
    };
    element.addEventListener("wheel", wheel, { passive: false });
    return () => element.removeEventListener("wheel", wheel);
  }, [onView, view, width, span, end]);

  const keys = (event: KeyboardEvent) => {
    const now = props.at ?? (view.from + view.to) / 2;
    const step = trace.width * (event.shiftKey ? 10 : 1);
    const move = (to: number) => {
      const at = Math.min(end, Math.max(0, to));
      onAt?.(at);
      if (onView && (at < view.from || at > view.to)) onView(panned(view, at - (view.from + view.to) / 2, end));
    };
    const acts: Record<string, () => void> = {
      ArrowLeft: () => move(now - step),
      ArrowRight: () => move(now + step),
      Home: () => move(0),
      End: () => move(end),
      PageUp: () => onView?.(panned(view, -span / 2, end)),
      PageDown: () => onView?.(panned(view, span / 2, end)),
      "+": () => onView?.(zoomed(view, 0.5, now, end)),
      "-": () => onView?.(zoomed(view, 2, now, end)),
      "0": () => onView?.({ from: 0, to: end }),
      Enter: () => onPick?.(now),
    };
    const act = acts[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  };
  const x = moment === null ? 0 : ((moment - view.from) / span) * width;
  const words = moment === null ? [] : wordsAt(props, moment);
  return (
    <div
      ref={box}
      className={`absolute touch-pan-y ${onView ? "cursor-crosshair" : ""} outline-offset-2`}
      style={{ left, top, width, height }}
      {...pointers}
      {...(onAt && {
        role: "slider",
        tabIndex: 0,
        "aria-label": "Moment of the trial: arrow keys move, plus and minus zoom, Enter places",
        "aria-valuemin": 0,
        "aria-valuemax": Math.round(end),
        "aria-valuenow": Math.round(moment ?? (view.from + view.to) / 2),
        "aria-valuetext":
          moment === null
            ? "no moment chosen yet"
            : [printMoment(moment, startHour), ...words.map(([k, v]) => `${k} ${v}`)].join(", "),
        onKeyDown: keys,
      })}
    >
      {moment !== null && inSight && (
        <>
          <div className="bg-base-content/60 pointer-events-none absolute inset-y-0 w-px" style={{ left: x }} />
          <div
            className="bg-base-100 border-base-content/50 pointer-events-none absolute top-0 z-10 rounded border px-2 py-1 text-[13px] leading-snug"
            style={{ left: x + BOX > width ? x - BOX : x + 10, width: BOX - 10 }}
          >
            <div className="font-semibold">{printMoment(moment, startHour)}</div>
            {words.map(([name, value]) => (
              <div key={name}>
                {name} {value}
              </div>
            ))}
          </div>
        </>
      )}
    </div>
  );
}

const share = (of: number) => (of <= 0 ? "off" : of >= 1 ? "on" : `on ${Math.round(of * 100)} % of the time`);

/** All values of a moment, in words. */
function wordsAt({ trace, scale, shown, layers, judged }: Props, moment: number): [string, string][] {
  const bin = Math.min(trace.bins - 1, Math.max(0, Math.floor((moment - trace.from) / trace.width)));
  const range = (low: Float32Array, high: Float32Array) => {
    const [a, b] = [low, high].map((side) => printNumber(inScale(celsius(side[bin]!), scale), 0.1));
    return Number.isFinite(low[bin]) ? `${a === b ? a : `${a} to ${b}`} ${scaleSign(scale)}` : "none";
  };
  return [
    ...shown.map((c): [string, string] => [
      c === "product" ? judged : c === "reading" ? "display" : c,
      range(trace.low[c], trace.high[c]),
    ]),
    ...layers.map((l): [string, string] => [l.label, range(l.low, l.high)]),
    ["heat", share(trace.heat[bin]!)],
    ["cold", share(trace.cold[bin]!)],
    ...(trace.alarm[bin]! > 0 ? [["alarm", "sounds"] as [string, string]] : []),
  ];
}
