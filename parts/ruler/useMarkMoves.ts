import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { refusalOf } from "@/core/model";
import { celsius, printTemperature } from "@/core/quantity";
import type { RulerData, RulerMark } from "./marks";

const STEPS: Partial<Record<string, number>> = { ArrowUp: 1, ArrowDown: -1, PageUp: 10, PageDown: -10 };

/** Nearest step of the controller in its own scale. */
const snap = (value: number, step: number, scale: "C" | "F") => {
  const zero = scale === "C" ? 0 : -32 / 1.8;
  return Number((Math.round((value - zero) / step) * step + zero).toFixed(9));
};

/**
 * Moving marks by drag, arrow keys and steppers, the same way on the standing and on the lying ruler.
 * @param valueAt the temperature at a pointer's place on the lens
 */
export function useMarkMoves(data: RulerData, valueAt: (event: PointerEvent) => number) {
  const [selected, setSelected] = useState<string | null>(null);
  const [dragging, setDragging] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const grab = useRef<{ id: string; offset: number; moved: boolean; gesture: string } | null>(null);
  const drags = useRef(0);

  const move = (mark: RulerMark, value: number, gesture: string) => {
    if (!mark.onMove) return;
    const next = snap(value, data.step, data.scale);
    if (Math.abs(next - mark.value) < data.step / 4) return;
    setProblem(
      refusalOf(mark.onMove(next, `${gesture}:${mark.id}`), (t) =>
        printTemperature(celsius(t), data.scale, data.resolution),
      ),
    );
  };
  const select = (id: string | null) => {
    setSelected(id);
    setProblem(null);
  };

  return {
    selected,
    select,
    dragging,
    problem,
    nudge: (mark: RulerMark, steps: number) => move(mark, mark.value + steps * data.step, "step"),
    /** Up and down move the mark, left and right go to the next colder and warmer one: the ruler is one stop. */
    onKeyDown: (mark: RulerMark, other: (by: number, from: Element) => void) => (event: KeyboardEvent) => {
      const { key } = event;
      if (key === "Escape") select(null);
      if (key === "ArrowLeft" || key === "ArrowRight") {
        event.preventDefault();
        other(key === "ArrowLeft" ? -1 : 1, event.currentTarget as Element);
        return;
      }
      const steps = STEPS[key];
      const [low, high] = data.overview;
      const to = key === "Home" ? low : key === "End" ? high : steps && mark.value + steps * data.step;
      if (to === undefined || !mark.onMove) return;
      event.preventDefault();
      setSelected(mark.id);
      move(mark, to, "step");
    },
    handlers: (mark: RulerMark) => ({
      onPointerDown: (event: PointerEvent) => {
        if (event.button !== 0) return;
        select(mark.id);
        if (!mark.onMove) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        drags.current++;
        grab.current = {
          id: mark.id,
          offset: mark.value - valueAt(event),
          moved: false,
          gesture: `drag:${drags.current}`,
        };
      },
      onPointerMove: (event: PointerEvent) => {
        if (grab.current?.id !== mark.id) return;
        if (!grab.current.moved) {
          grab.current.moved = true;
          setDragging(true);
        }
        move(mark, valueAt(event) + grab.current.offset, grab.current.gesture);
      },
      onPointerUp: () => {
        grab.current = null;
        setDragging(false);
      },
      onPointerCancel: () => {
        grab.current = null;
        setDragging(false);
      },
    }),
  };
}
