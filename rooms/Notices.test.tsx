import "@testing-library/jest-dom";
import { act, render, screen } from "@testing-library/react";
import { newChamber } from "@/core/chamber";
import type { SaveState } from "@/workshop";
import { useWorkshop } from "@/workshop";
import { Notices } from "./Notices";

const NOW = "2026-01-01T00:00:00.000Z";

describe("notices", () => {
  it("say that a write has failed for as long as it has, and no longer", () => {
    render(<Notices />);
    const be = (save: SaveState) => act(() => useWorkshop.setState({ save }));
    be("saving");
    expect(screen.queryByRole("alert")).toBeNull();
    be("failed");
    expect(screen.getByRole("alert")).toHaveTextContent(/could not be stored yet.*keep this page open/);
    be("saved");
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("ask about one conflict after the other, by name, and say how many follow", () => {
    const [a, b] = [newChamber("a", "Cellar ale", NOW), newChamber("b", "Larder", NOW)];
    render(<Notices />);
    act(() =>
      useWorkshop.setState({
        records: { a, b },
        conflicts: [
          { id: "a", theirs: a },
          { id: "b", theirs: null },
        ],
      }),
    );
    expect(screen.getByRole("alertdialog")).toHaveTextContent(/Cellar ale was changed in another tab while/);
    expect(screen.getByRole("alertdialog")).toHaveTextContent(/1 more will be asked about after it/);
    act(() => useWorkshop.setState({ conflicts: [{ id: "b", theirs: null }] }));
    expect(screen.getByRole("alertdialog")).toHaveTextContent(/Larder was changed in another tab \(removed there\)/);
    expect(screen.getByRole("alertdialog")).not.toHaveTextContent(/more will be/);
    act(() => useWorkshop.setState({ conflicts: [], records: {} }));
  });
});
