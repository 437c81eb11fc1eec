import "@testing-library/jest-dom";
import { fireEvent, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { recommend, type Recommendation, type TradePoint } from "@/core/recommend";
import { hollinMill } from "@/demo/hollinMill";
import { sayPoint, TradeOff } from "./TradeOff";

// jsdom lays nothing out: the picture is told its size.
beforeAll(() => {
  globalThis.ResizeObserver = class {
    constructor(private readonly seen: ResizeObserverCallback) {}
    observe() {
      this.seen(
        [{ contentRect: { width: 500, height: 240 } } as ResizeObserverEntry],
        this as unknown as ResizeObserver,
      );
    }
    unobserve() {}
    disconnect() {}
  };
});

/** The mash kettle: a search that takes a moment. */
const found = ((): Recommendation => {
  const search = recommend(
    hollinMill().find((r) => r.cabinet.kind?.value === "kettle")!,
    { probe: false, heater: false },
  );
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
})();
const all = [...found.points, found.present, ...found.schools.map((s) => s.point)];

function Picture({ scale = "C" }: { scale?: "C" | "F" }) {
  const [chosen, setChosen] = useState<TradePoint | null>(found.best);
  return <TradeOff found={found} scale={scale} chosen={chosen} onChoose={setChosen} />;
}

describe("the picture of the trade-off", () => {
  it("shows every point, names the best, the present and both schools, and says its axes with their units", () => {
    const { container } = render(<Picture />);
    for (const name of ["best", "now", "middle", "edge"])
      expect(screen.getByText(new RegExp(`\\b${name}\\b`))).toBeVisible();
    // Each has a target of touch size under it.
    expect(container.querySelectorAll("circle[r='12']")).toHaveLength(all.length);
    expect(screen.getByText("furthest from the target in the worst weather, °C")).toBeVisible();
    expect(screen.getByText("starts a day")).toBeVisible();
  });

  it("keys walk from the tightest to the widest and stop at both ends", async () => {
    render(<Picture />);
    const slider = screen.getByRole("slider");
    expect(slider).toHaveAttribute("aria-valuetext", sayPoint(found.best!, "C"));
    slider.focus();
    await userEvent.keyboard("{ArrowLeft}".repeat(all.length));
    const byExcursion = [...all].sort((a, b) => a.score.excursion - b.score.excursion);
    expect(slider).toHaveAttribute("aria-valuetext", sayPoint(byExcursion[0]!, "C"));
    expect(slider).toHaveAttribute("aria-valuenow", "0");
    await userEvent.keyboard("{ArrowRight}".repeat(all.length + 2));
    expect(slider).toHaveAttribute("aria-valuetext", sayPoint(byExcursion.at(-1)!, "C"));
  });

  it("a click takes a point, and further right strays further", () => {
    const { container } = render(<Picture />);
    const targets = [...container.querySelectorAll("circle[r='12']")];
    const strays = targets
      .map((target) => {
        fireEvent.click(target.parentElement!);
        const words = screen.getByRole("slider").getAttribute("aria-valuetext")!;
        return { x: Number(target.getAttribute("cx")), stray: Number(/^[\d.]+/.exec(words)![0]) };
      })
      .sort((a, b) => a.x - b.x);
    strays.slice(1).forEach(({ stray }, i) => expect(stray).toBeGreaterThanOrEqual(strays[i]!.stray - 0.011));
  });

  it("in °F a distance is 1.8 times its number in °C", () => {
    const [celsius, fahrenheit] = (["C", "F"] as const).map((scale) => parseFloat(sayPoint(found.best!, scale)));
    expect(fahrenheit! / celsius!).toBeCloseTo(1.8, 1);
  });
});
