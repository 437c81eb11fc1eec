import "@testing-library/jest-dom";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import type { Problem } from "@/core/model";
import { NumberField, temperatureKind } from ".";

function Field({ refuse }: { refuse?: string }) {
  const [value, setValue] = useState(20);
  return (
    <>
      <NumberField
        label="Setpoint"
        kind={temperatureKind("C")}
        value={value}
        onCommit={(v) => {
          if (refuse) return refuse;
          setValue(v);
          return null;
        }}
      />
      <output>{value}</output>
    </>
  );
}

describe("number field", () => {
  it("takes any unit, and steps by arrow keys and buttons", async () => {
    const user = userEvent.setup();
    render(<Field />);
    const field = screen.getByLabelText("Setpoint");
    await user.clear(field);
    await user.type(field, "68 F{Enter}");
    expect(screen.getByRole("status")).toHaveTextContent("20");
    await user.type(field, "{ArrowUp}{ArrowUp}");
    expect(field).toHaveValue("20.2");
    await user.click(screen.getByRole("button", { name: "Setpoint: less" }));
    expect(field).toHaveValue("20.1");
  });

  it("keeps what was typed and says how to mend it", async () => {
    const user = userEvent.setup();
    render(<Field />);
    const field = screen.getByLabelText("Setpoint");
    await user.clear(field);
    await user.type(field, "warm{Enter}");
    expect(screen.getByRole("alert")).toHaveTextContent(/does not start with a number/);
    expect(field).toHaveValue("warm");
    expect(screen.getByRole("status")).toHaveTextContent("20");
    await user.type(field, "{Escape}");
    expect(field).toHaveValue("20.0");
  });

  it("shows what was typed as it is, an estimate at its resolution, and a limit in its own unit", async () => {
    const user = userEvent.setup();
    const kind = temperatureKind("F");
    const too: Problem = { code: "tooHigh", at: ["room", "high"], limit: 60 };
    const { rerender } = render(<NumberField label="Room" kind={kind} value={20.25} onCommit={() => too} />);
    expect(screen.getByLabelText("Room")).toHaveValue("68.45");
    rerender(<NumberField label="Room" kind={kind} value={20.25} onCommit={() => too} estimate />);
    expect(screen.getByLabelText("Room")).toHaveValue("68.5");
    await user.clear(screen.getByLabelText("Room"));
    await user.type(screen.getByLabelText("Room"), "200{Enter}");
    expect(screen.getByRole("alert")).toHaveTextContent(/^No more than 140.0 °F\.$/);
  });

  it("explains its term at its place when it is asked to", async () => {
    const user = userEvent.setup();
    render(<NumberField label="Aim" kind={temperatureKind("C")} value={20} onCommit={() => null} term="setpoint" />);
    const key = screen.getByRole("button", { name: /What is meant by .Setpoint/ });
    expect(key).toHaveAttribute("aria-expanded", "false");
    await user.click(key);
    expect(screen.getByText(/The reading at which heat and cold go off/)).toBeVisible();
    await user.click(key);
    expect(screen.getByText(/The reading at which heat and cold go off/)).not.toBeVisible();
  });

  it("shows why a value cannot be stored", async () => {
    const user = userEvent.setup();
    render(<Field refuse="Too cold for it." />);
    await user.type(screen.getByLabelText("Setpoint"), "{ArrowDown}");
    expect(screen.getByRole("alert")).toHaveTextContent("Too cold for it.");
    expect(screen.getByLabelText("Setpoint")).toBeInvalid();
  });
});
