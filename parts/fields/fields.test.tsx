import "@testing-library/jest-dom";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { Choice, Select, TextField, Toggle } from ".";

const kinds = [
  { value: "ale", label: "Ale", note: "warm" },
  { value: "lager", label: "Lager", note: "cool" },
  { value: "hold", label: "Nothing that ferments" },
] as const;
type Kind = (typeof kinds)[number]["value"];

describe("toggle", () => {
  function Own() {
    const [on, setOn] = useState(false);
    return <Toggle label="It stays off" hint="after its plug was pulled" value={on} onChange={setOn} />;
  }
  it("is a box with a name and a reason, set by its label and by the space bar", async () => {
    const user = userEvent.setup();
    render(<Own />);
    const box = screen.getByRole("checkbox", { name: /It stays off/ });
    expect(box).toHaveAccessibleDescription("after its plug was pulled");
    await user.click(screen.getByText("It stays off"));
    expect(box).toBeChecked();
    box.focus();
    await user.keyboard(" ");
    expect(box).not.toBeChecked();
  });
});

describe.each([
  ["select", Select],
  ["choice", Choice],
] as const)("%s", (_, Field) => {
  function Own({ seen }: { seen: Kind[] }) {
    const [kind, setKind] = useState<Kind>("ale");
    return (
      <Field<Kind>
        label="What is in it"
        options={kinds}
        value={kind}
        onChoose={(k) => {
          seen.push(k);
          setKind(k);
        }}
      />
    );
  }
  it("offers every option under one name and tells which was taken", async () => {
    const user = userEvent.setup();
    const seen: Kind[] = [];
    render(<Own seen={seen} />);
    if (Field === Select) {
      const box = screen.getByRole("combobox", { name: "What is in it" });
      expect(box).toHaveValue("ale");
      await user.selectOptions(box, "Lager");
      expect(box).toHaveValue("lager");
    } else {
      const group = screen.getByRole("group", { name: "What is in it" });
      expect(group).toBeVisible();
      const radios = screen.getAllByRole("radio");
      expect(radios).toHaveLength(3);
      expect(radios[0]).toBeChecked();
      await user.click(screen.getByText("Lager"));
      expect(radios[1]).toBeChecked();
      expect(radios[0]).not.toBeChecked();
    }
    expect(seen).toEqual(["lager"]);
  });
});

describe("text field", () => {
  function Own({ taken }: { taken: string[] }) {
    const [name, setName] = useState("Cellar box");
    return (
      <TextField
        label="Name"
        most={12}
        value={name}
        hint="as you call it"
        onCommit={(next) => {
          if (!next) return "A chamber needs a name.";
          taken.push(next);
          setName(next);
          return null;
        }}
      />
    );
  }
  const start = () => {
    const taken: string[] = [];
    render(<Own taken={taken} />);
    return { taken, field: screen.getByLabelText("Name"), user: userEvent.setup() };
  };

  it("stores with Enter and when it is left, without spaces around, and not twice", async () => {
    const { taken, field, user } = start();
    await user.clear(field);
    await user.type(field, "  Larder {Enter}");
    expect(taken).toEqual(["Larder"]);
    expect(field).toHaveValue("Larder");
    await user.tab();
    expect(taken).toEqual(["Larder"]);
    await user.click(field);
    await user.type(field, " 2");
    await user.tab();
    expect(taken).toEqual(["Larder", "Larder 2"]);
  });

  it("keeps what was refused in sight, says why, and Escape brings back what is stored", async () => {
    const { taken, field, user } = start();
    await user.clear(field);
    await user.keyboard("{Enter}");
    expect(screen.getByRole("alert")).toHaveTextContent("A chamber needs a name.");
    expect(field).toHaveValue("");
    expect(field).toHaveAttribute("aria-invalid", "true");
    await user.keyboard("{Escape}");
    expect(field).toHaveValue("Cellar box");
    expect(screen.queryByRole("alert")).toBeNull();
    expect(field).toHaveAccessibleDescription("as you call it");
    expect(taken).toEqual([]);
  });

  it("takes no more letters than there is room for", async () => {
    const { taken, field, user } = start();
    await user.clear(field);
    await user.type(field, "A very long name indeed{Enter}");
    // Nothing of it is cut off unasked.
    expect(taken).toEqual([]);
    expect(field).toHaveValue("A very long name indeed");
    expect(screen.getByRole("alert")).toHaveTextContent("Keep it to 12 letters or fewer.");
  });
});
