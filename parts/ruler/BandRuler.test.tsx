import "@testing-library/jest-dom";
import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { BandRuler, FlatRuler, type RulerData, type RulerMark } from ".";

// jsdom lays nothing out: the rulers are told their size.
beforeAll(() => {
  globalThis.ResizeObserver = class {
    constructor(private readonly seen: ResizeObserverCallback) {}
    observe() {
      const entry = { contentRect: { width: 212, height: 520 } } as ResizeObserverEntry;
      this.seen([entry], this as unknown as ResizeObserver);
    }
    unobserve() {}
    disconnect() {}
  };
});

function Ruler({ lying, scale = "C", limit = 99 }: { lying?: boolean; scale?: "C" | "F"; limit?: number }) {
  const [value, setValue] = useState(20);
  const marks: RulerMark[] = [
    {
      id: "setpoint",
      label: "Setpoint",
      value,
      glaze: "ink",
      shape: "point",
      meaning: "Setpoint",
      onMove: (next) => {
        if (next > limit) return "Too warm for it.";
        setValue(next);
        return null;
      },
    },
    {
      id: "high",
      label: "Warmest allowed",
      value: 21,
      glaze: "honey",
      shape: "limit",
      meaning: "Warmest",
      onMove: () => null,
    },
    { id: "true", label: "True at setpoint", value: 19, glaze: "slate", shape: "point", meaning: "True" },
  ];
  const step = scale === "C" ? 0.1 : 0.1 / 1.8;
  const data: RulerData = { marks, zones: [], overview: [0, 40], scale, step, resolution: 0.1 };
  return lying ? <FlatRuler data={data} /> : <BandRuler data={data} />;
}

const setpoint = () => screen.getByRole("slider", { name: "Setpoint" });

describe("the standing ruler", () => {
  it("moves a mark by arrow keys at the controller's resolution, and says both scales", async () => {
    const user = userEvent.setup();
    render(<Ruler />);
    act(() => setpoint().focus());
    await user.keyboard("{ArrowUp}{ArrowUp}{ArrowDown}{PageUp}");
    expect(setpoint()).toHaveAttribute("aria-valuenow", "21.1");
    expect(setpoint().getAttribute("aria-valuetext")!.replaceAll("\u00a0", " ")).toBe("Setpoint: 21.1 °C (70.0 °F)");
  });

  it("steps in tenths of °F on a °F unit", async () => {
    const user = userEvent.setup();
    render(<Ruler scale="F" />);
    act(() => setpoint().focus());
    await user.keyboard("{ArrowUp}");
    expect(setpoint()).toHaveTextContent("68.1");
  });

  it("shows steppers of the selected mark alone, and why a move is refused", async () => {
    const user = userEvent.setup();
    render(<Ruler limit={20.05} />);
    expect(screen.queryByRole("button", { name: "Setpoint: warmer" })).toBeNull();
    act(() => setpoint().focus());
    await user.click(screen.getByRole("button", { name: "Setpoint: warmer" }));
    expect(screen.getByRole("alert")).toHaveTextContent("Too warm for it.");
    expect(setpoint()).toHaveTextContent("20.0");
    expect(screen.queryByRole("button", { name: "Warmest allowed: warmer" })).toBeNull();
  });

  it("offers no handle on what only shows", () => {
    render(<Ruler />);
    expect(screen.queryByRole("slider", { name: "True at setpoint" })).toBeNull();
    expect(screen.getByRole("note", { name: "True at setpoint" })).toHaveTextContent("19.0");
  });
});

describe("the lying ruler", () => {
  it("walks from mark to mark and moves the one on show", async () => {
    const user = userEvent.setup();
    render(<Ruler lying />);
    await user.click(screen.getByRole("button", { name: "Setpoint: colder" }));
    expect(setpoint()).toHaveTextContent("19.9");
    await user.click(screen.getByRole("button", { name: "Next warmer mark" }));
    expect(screen.getByRole("slider", { name: "Warmest allowed" })).toBeInTheDocument();
    await user.click(screen.getByRole("button", { name: "Next warmer mark" }));
    expect(screen.getByRole("note", { name: "True at setpoint" })).toBeInTheDocument();
    expect(screen.queryByRole("button", { name: /warmer$/ })).toBeNull();
  });
});
