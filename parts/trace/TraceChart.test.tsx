import "@testing-library/jest-dom";
import { render, screen, waitFor } from "@testing-library/react";
import { heaterOf, heldAt, recordWith, steadyRoom } from "@/core/testing/build";
import { planOf, runTrial, trialOf } from "@/core/trial";
import { TraceChart } from "./TraceChart";

const plan = planOf(recordWith(...heldAt(20), ...steadyRoom(5), heaterOf(60)));
const { trace, startHour } = runTrial(trialOf(plan, 2), 96);
const usual = {
  trace,
  ghost: null,
  startHour,
  bands: [{ stage: 0, from: 0, to: 1e7, low: 18, high: 22 }],
  alarms: { low: 16, high: 24 },
  width: 640,
  height: 260,
  near: false,
  moment: null,
};
/** What is written along an axis, once the chart has settled: it draws its labels a turn later. */
async function written(container: HTMLElement, axis: "x" | "y"): Promise<string[]> {
  const labels = () => [...container.querySelectorAll(`.recharts-${axis}Axis-tick-labels text`)];
  await waitFor(() => expect(labels().length).toBeGreaterThan(1));
  return labels().map((t) => t.textContent!);
}
const degreesOf = (texts: string[]) => texts.map((t) => Number(t.replace("\u2212", "-").replace("°", "")));

describe("the chart of a trial", () => {
  it("its axis takes in the room and the band, and names the lines at their ends", async () => {
    const { container } = render(<TraceChart {...usual} scale="C" />);
    const degrees = degreesOf(await written(container, "y"));
    expect(Math.min(...degrees)).toBeLessThanOrEqual(6);
    expect(Math.max(...degrees)).toBeGreaterThanOrEqual(20);
    for (const name of ["product", "probe", "air", "room", "heat"]) expect(screen.getByText(name)).toBeVisible();
  });

  it("near the band it shows two degrees around it, to whole marks", async () => {
    const { container } = render(<TraceChart {...usual} scale="C" near />);
    const degrees = degreesOf(await written(container, "y"));
    expect(Math.min(...degrees)).toBeGreaterThanOrEqual(15);
    expect(Math.max(...degrees)).toBeLessThanOrEqual(25);
  });

  it("near the band the far room has a lane of its own with its range, and no line in the chart", () => {
    const { rerender } = render(<TraceChart {...usual} scale="C" near />);
    expect(
      screen.getByRole("img", { name: "The room on a scale of its own, from 5\u00a0°C to 5\u00a0°C" }),
    ).toBeVisible();
    expect(screen.getByText("room 5°")).toBeVisible();
    expect(screen.queryByText("room")).toBeNull();
    rerender(<TraceChart {...usual} scale="C" near={false} />);
    expect(screen.getByText("room")).toBeVisible();
    expect(screen.queryByRole("img", { name: /scale of its own/ })).toBeNull();
  });

  it("near the band never hides where the product goes: all of it where it never arrives", async () => {
    const product = (t: number) => new Float32Array(trace.bins).fill(t);
    const cold = {
      ...trace,
      low: { ...trace.low, product: product(9) },
      high: { ...trace.high, product: product(10) },
    };
    const { container } = render(<TraceChart {...usual} trace={cold} scale="C" near />);
    expect(Math.min(...degreesOf(await written(container, "y")))).toBeLessThanOrEqual(10);
  });

  it("in °F the same room of 5 °C stands at 41", async () => {
    const { container } = render(<TraceChart {...usual} scale="F" />);
    const degrees = degreesOf(await written(container, "y"));
    expect(Math.min(...degrees)).toBeLessThanOrEqual(45);
    expect(Math.min(...degrees)).toBeGreaterThanOrEqual(35);
  });

  it("shows what it is asked to: a stretch of hours, other lines, a happening", async () => {
    const { container } = render(
      <TraceChart
        {...usual}
        scale="C"
        view={{ from: 6 * 3600, to: 12 * 3600 }}
        shown={["air"]}
        judged="air"
        happenings={[{ at: 8 * 3600, to: 9 * 3600 }]}
      />,
    );
    expect(screen.queryByText("product")).toBeNull();
    // The trial starts at 18:00, so its sixth hour is midnight.
    expect((await written(container, "x")).join(" ")).toMatch(/day 2/);
    const shaded = [...container.querySelectorAll("svg rect[fill='var(--color-error)']")][0]!;
    const plot = 640 - 40 - 82;
    expect(Number(shaded.getAttribute("width"))).toBeCloseTo(plot / 6, 3);
    expect(Number(shaded.getAttribute("x"))).toBeCloseTo(40 + plot / 3, 3);
  });

  it("has no handle to zoom where it is only looked at", () => {
    render(<TraceChart {...usual} scale="C" />);
    expect(screen.queryByRole("slider")).toBeNull();
  });

  it("draws no lane for what is not there", () => {
    const { rerender } = render(<TraceChart {...usual} scale="C" />);
    expect(screen.getByText("cold")).toBeVisible();
    rerender(<TraceChart {...usual} scale="C" cools={false} />);
    expect(screen.queryByText("cold")).toBeNull();
    expect(screen.getByRole("img", { name: "When heat was on" })).toBeVisible();
  });
});
