"use client";

import { useRef, type PointerEvent, type RefObject } from "react";
import { panned, zoomed, type View } from "./view";

/** Pixels that a pointer may stray and still have clicked. */
const STILL = 4;
/** Two fingers closer than this say nothing about a ratio, px. */
const CLOSE = 24;

interface Props {
  box: RefObject<HTMLDivElement | null>;
  width: number;
  view: View;
  end: number;
  onView?: (view: View) => void;
  /** The moment under the pointer, s; null once it has left. */
  onHover: (moment: number | null) => void;
  onClick: (moment: number) => void;
}

/** A click chooses, one finger drags, two fingers zoom around the moment between them. */
export function usePointers({ box, width, view, end, onView, onHover, onClick }: Props) {
  const down = useRef(new Map<number, number>());
  const began = useRef<{ view: View; x: number; apart: number; moved: boolean } | null>(null);

  /** Place along the chart, px. */
  const along = (event: PointerEvent) => {
    const rect = box.current!.getBoundingClientRect();
    // Drawn larger than it was laid out where text is larger than usual.
    return ((event.clientX - rect.left) / (rect.width || width)) * width;
  };
  const timeAt = (x: number, of: View) => of.from + Math.min(1, Math.max(0, x / width)) * (of.to - of.from);
  const fingers = () => {
    const xs = [...down.current.values()];
    return { x: xs.reduce((sum, x) => sum + x, 0) / xs.length, apart: Math.max(...xs) - Math.min(...xs) };
  };
  /** A finger more or less: what follows is measured from here. */
  const begin = (moved: boolean) => (began.current = down.current.size > 0 ? { view, ...fingers(), moved } : null);

  const move = (event: PointerEvent) => {
    const { current: from } = began;
    if (from && onView && down.current.has(event.pointerId)) {
      down.current.set(event.pointerId, along(event));
      const { x, apart } = fingers();
      const span = from.view.to - from.view.from;
      if (down.current.size > 1) {
        from.moved = true;
        const ratio = Math.max(CLOSE, from.apart) / Math.max(CLOSE, apart);
        const around = timeAt(from.x, from.view);
        return onView(panned(zoomed(from.view, ratio, around, end), ((from.x - x) / width) * span * ratio, end));
      }
      if (Math.abs(x - from.x) > STILL) from.moved = true;
      if (from.moved) return onView(panned(from.view, ((from.x - x) / width) * span, end));
    }
    onHover(timeAt(along(event), view));
  };
  const press = (event: PointerEvent) => {
    down.current.set(event.pointerId, along(event));
    if (onView) event.currentTarget.setPointerCapture(event.pointerId);
    begin(down.current.size > 1);
    onHover(timeAt(along(event), view));
  };
  const release = (event: PointerEvent) => {
    if (!down.current.delete(event.pointerId)) return;
    const clicked = began.current && !began.current.moved;
    begin(true);
    if (clicked) onClick(timeAt(along(event), view));
  };
  const leave = (event: PointerEvent) => {
    down.current.delete(event.pointerId);
    begin(true);
    onHover(null);
  };
  return {
    onPointerMove: move,
    onPointerDown: press,
    onPointerUp: release,
    onPointerCancel: leave,
    onPointerLeave: leave,
  };
}
