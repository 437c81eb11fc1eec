import "@testing-library/jest-dom";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Drafts, NumberField, temperatureKind, TextField } from ".";

const kind = temperatureKind("C");
const Setpoint = ({ of, taken }: { of: string; taken?: (v: number) => void }) => (
  <Drafts of={of}>
    <NumberField
      label="Setpoint"
      kind={kind}
      value={20}
      onCommit={(v) => {
        taken?.(v);
        return null;
      }}
    />
    <TextField label="Name" value="Old" most={20} onCommit={() => null} />
  </Drafts>
);

beforeEach(() => sessionStorage.clear());

describe("what is typed and not taken over", () => {
  it("is there after the page was loaded anew, with what to do about it", async () => {
    const user = userEvent.setup();
    const first = render(<Setpoint of="a" />);
    await user.type(screen.getByLabelText("Setpoint"), "18.5");
    // The page goes away without the field being left.
    first.unmount();
    const taken = jest.fn();
    render(<Setpoint of="a" taken={taken} />);
    const field = screen.getByLabelText("Setpoint");
    expect(field).toHaveValue("18.5");
    expect(screen.getByText(/Typed before the page was left/)).toBeInTheDocument();
    await user.clear(field);
    await user.type(field, "18.5{Enter}");
    expect(taken).toHaveBeenCalledWith(18.5);
    expect(screen.queryByText(/Typed before/)).toBeNull();
    expect(sessionStorage).toHaveLength(0);
  });

  it("belongs to its own field alone, and Escape drops it", async () => {
    const user = userEvent.setup();
    const first = render(<Setpoint of="a" />);
    await user.type(screen.getByLabelText("Setpoint"), "1");
    first.unmount();
    const both = render(
      <>
        <Setpoint of="a" />
        <Setpoint of="b" />
      </>,
    );
    const [mine, other] = screen.getAllByLabelText("Setpoint");
    expect([mine, other].map((f) => (f as HTMLInputElement).value)).toEqual(["1", "20.0"]);
    await user.type(mine!, "{Escape}");
    both.unmount();
    render(<Setpoint of="a" />);
    expect(screen.getByLabelText("Setpoint")).toHaveValue("20.0");
  });

  it("follows what the field is now of", async () => {
    const user = userEvent.setup();
    const shown = render(<Setpoint of="stage 1" />);
    await user.type(screen.getByLabelText("Name"), "er");
    shown.rerender(<Setpoint of="stage 2" />);
    expect(screen.getByLabelText("Name")).toHaveValue("Old");
    shown.rerender(<Setpoint of="stage 1" />);
    expect(screen.getByLabelText("Name")).toHaveValue("Older");
  });
});
