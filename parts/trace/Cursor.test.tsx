import "@testing-library/jest-dom";
import { fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { recordWith } from "@/core/testing/build";
import { planOf, runTrial, trialOf } from "@/core/trial";
import { Cursor } from "./Cursor";
import type { View } from "./view";

const DAY = 86_400;
const plan = planOf(recordWith());
const { trace, startHour, days } = runTrial(trialOf(plan, 4), 96);
const end = days * DAY;

function Chart({ scale = "C", picked = [] }: { scale?: "C" | "F"; picked?: number[] }) {
  const [view, setView] = useState<View>({ from: 0, to: end });
  const [at, setAt] = useState<number | null>(null);
  return (
    <>
      <Cursor
        {...{ trace, view, scale, startHour, end, at }}
        shown={["product", "room"]}
        layers={[]}
        judged="product"
        left={0}
        top={0}
        width={400}
        height={100}
        onView={setView}
        onAt={setAt}
        onPick={(moment) => picked.push(moment)}
      />
      <output>{JSON.stringify({ view, at })}</output>
    </>
  );
}
const seen = () => JSON.parse(screen.getByRole("status").textContent!) as { view: View; at: number | null };
const slider = () => screen.getByRole("slider");
const press = async (keys: string) => {
  slider().focus();
  await userEvent.keyboard(keys);
};

beforeAll(() => {
  // jsdom knows no pointer capture, and its pointers have no place.
  globalThis.PointerEvent = class extends MouseEvent {
    readonly pointerId: number;
    constructor(type: string, init: PointerEventInit) {
      super(type, init);
      this.pointerId = init.pointerId ?? 0;
    }
  } as unknown as typeof PointerEvent;
  Element.prototype.setPointerCapture = () => undefined;
});

describe("the cursor over a trace", () => {
  it("is moved by keys, a bin or ten at a time, to both ends and no further", async () => {
    render(<Chart />);
    expect(slider()).toHaveAttribute("aria-valuetext", "no moment chosen yet");
    await press("{ArrowRight}");
    expect(seen().at).toBeCloseTo(end / 2 + trace.width, 6);
    await press("{Shift>}{ArrowLeft}{/Shift}");
    expect(seen().at).toBeCloseTo(end / 2 - 9 * trace.width, 6);
    await press("{Home}{ArrowLeft}");
    expect(seen().at).toBe(0);
    await press("{End}{ArrowRight}");
    expect(seen().at).toBe(end);
  });

  it.each(["C", "F"] as const)("reads what the trace has at the moment, in °%s", async (scale) => {
    render(<Chart scale={scale} />);
    await press("{ArrowRight}");
    const words = slider().getAttribute("aria-valuetext")!;
    const bin = Math.floor((seen().at! - trace.from) / trace.width);
    const said = /product ([\d.]+)(?: to ([\d.]+))? °/.exec(words)!;
    // By the definition of the Fahrenheit scale, t/°F = 1.8·t/°C + 32, and to the tenth that is shown.
    const low = trace.low.product[bin]!;
    expect(Math.abs(Number(said[1]) - (scale === "C" ? low : 1.8 * low + 32))).toBeLessThan(0.051);
    expect(words).toMatch(/^day 3, /);
    expect(words).toMatch(/heat (on|off)/);
  });

  it("zooms around the moment and pans, but never beyond the trial", async () => {
    render(<Chart />);
    await press("{ArrowRight}+");
    const half = seen().view;
    expect(half.to - half.from).toBeCloseTo(end / 2, 6);
    expect(seen().at!).toBeGreaterThan(half.from);
    expect(seen().at!).toBeLessThan(half.to);
    await press("{PageDown}{PageDown}{PageDown}");
    expect(seen().view.to).toBe(end);
    await press("0");
    expect(seen().view).toEqual({ from: 0, to: end });
    await press("-");
    expect(seen().view).toEqual({ from: 0, to: end });
  });

  it("goes after the moment when that leaves the view", async () => {
    render(<Chart />);
    await press("++{End}");
    const { view, at } = seen();
    expect(at).toBe(end);
    expect(view.to).toBe(end);
    expect(view.to - view.from).toBeCloseTo(end / 4, 6);
  });

  it("picks by click and by Enter; a drag moves the view and picks nothing", async () => {
    const picked: number[] = [];
    render(<Chart picked={picked} />);
    fireEvent.pointerDown(slider(), { clientX: 100, pointerId: 1 });
    fireEvent.pointerUp(slider(), { clientX: 101, pointerId: 1 });
    expect(picked[0]).toBeCloseTo((end * 101) / 400, 0);
    await press("{Enter}");
    expect(picked[1]).toBe(picked[0]);
    await press("+");
    const before = seen().view;
    fireEvent.pointerDown(slider(), { clientX: 200, pointerId: 1 });
    fireEvent.pointerMove(slider(), { clientX: 100, pointerId: 1 });
    fireEvent.pointerUp(slider(), { clientX: 100, pointerId: 1 });
    expect(seen().view.from).toBeCloseTo(before.from + (before.to - before.from) / 4, -1);
    expect(picked).toHaveLength(2);
  });

  it("two fingers zoom around what lies between them, move it along, and pick nothing", () => {
    const picked: number[] = [];
    render(<Chart picked={picked} />);
    const finger = (type: "pointerDown" | "pointerMove" | "pointerUp", pointerId: number, clientX: number) =>
      fireEvent[type](slider(), { pointerId, clientX });
    finger("pointerDown", 1, 100);
    finger("pointerDown", 2, 200);
    finger("pointerMove", 1, 50);
    finger("pointerMove", 2, 250);
    const { view } = seen();
    // Twice as far apart: half of the time is in sight, and the moment at 150 px stands where it stood.
    expect(view.to - view.from).toBeCloseTo(end / 2, 0);
    expect(view.from + (150 / 400) * (view.to - view.from)).toBeCloseTo((150 / 400) * end, 0);
    finger("pointerMove", 1, 70);
    finger("pointerMove", 2, 270);
    const moved = seen().view;
    expect(moved.from).toBeCloseTo(view.from - (20 / 400) * (end / 2), 0);
    finger("pointerUp", 1, 70);
    // The finger that is left drags on from where it is.
    finger("pointerMove", 2, 290);
    expect(seen().view.from).toBeCloseTo(moved.from - (20 / 400) * (end / 2), 0);
    finger("pointerUp", 2, 290);
    expect(picked).toEqual([]);
  });

  it("the wheel zooms around the pointer, sideways it pans, and the page stays", () => {
    render(<Chart />);
    const stayed = !fireEvent.wheel(slider(), { clientX: 0, deltaY: -400 });
    expect(stayed).toBe(true);
    const { view } = seen();
    expect(view.from).toBe(0);
    expect(view.to).toBeLessThan(end);
    fireEvent.wheel(slider(), { deltaX: 100 });
    expect(seen().view.from).toBeGreaterThan(0);
  });
});
