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
    const be = (save: SaveState) =>
      act(() => useWorkshop.setState({ save, trouble: save === "failed" ? "failed" : null }));
    be("saving");
    expect(screen.queryByRole("alert")).toBeNull();
    be("failed");
    expect(screen.getByRole("alert")).toHaveTextContent(/could not be stored yet.*keep this page open/);
    be("saved");
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("say what is wrong with the store, each as what it is", () => {
    render(<Notices />);
    act(() => useWorkshop.setState({ save: "failed", trouble: "full" }));
    expect(screen.getByRole("alert")).toHaveTextContent(/is full\. Make room/);
    act(() => useWorkshop.setState({ save: "failed", trouble: "silent" }));
    expect(screen.getByRole("alert")).toHaveTextContent(/does not answer/);
    act(() => useWorkshop.setState({ save: "saved", trouble: null, loss: { chambers: 2, of: 2, at: NOW } }));
    expect(screen.getByRole("alert")).toHaveTextContent(
      /2 chambers were stored here, last on 2026-01-01, and are gone/,
    );
    expect(screen.getByRole("link", { name: "Bring back a backup" })).toBeInTheDocument();
    act(() => useWorkshop.setState({ loss: null, refused: "\u201cname\u201d cannot be undone: why" }));
    expect(screen.getByRole("alert")).toHaveTextContent(/cannot be undone: why/);
    act(() => useWorkshop.setState({ refused: null, newer: 2 }));
    expect(screen.getByRole("status")).toHaveTextContent(/2 records were written by a newer Gentle Crock/);
    act(() => useWorkshop.setState({ newer: 0 }));
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
    expect(screen.getByRole("alertdialog")).toHaveTextContent(
      /Larder was changed in another tab \(removed there, or dropped by the browser\)/,
    );
    expect(screen.getByRole("alertdialog")).not.toHaveTextContent(/more will be/);
    act(() => useWorkshop.setState({ conflicts: [], records: {} }));
  });
});
