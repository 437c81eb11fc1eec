import "@testing-library/jest-dom";
import { render, screen } from "@testing-library/react";
import { Contained } from "./Contained";

function Sum({ of }: { of: number }) {
  if (!Number.isFinite(of)) throw new Error("no such sum");
  return <p>It is {of}.</p>;
}

describe("a part that breaks", () => {
  it("says so in its own place, keeps what stands beside it, and is shown again once it can be", () => {
    const told = jest.spyOn(console, "error").mockImplementation(() => undefined);
    const page = (of: number) => (
      <main>
        <input aria-label="Width" />
        <Contained name="the sum">
          <Sum of={of} />
        </Contained>
      </main>
    );
    const { rerender } = render(page(2));
    expect(screen.getByText("It is 2.")).toBeVisible();
    rerender(page(NaN));
    expect(screen.getByRole("alert")).toHaveTextContent(/This cannot be shown: the sum\..*no such sum/);
    expect(screen.getByLabelText("Width")).toBeVisible();
    rerender(page(3));
    expect(screen.getByText("It is 3.")).toBeVisible();
    expect(screen.queryByRole("alert")).toBeNull();
    expect(told).toHaveBeenCalled();
    told.mockRestore();
  });
});
