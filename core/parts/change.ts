import { freshId } from "../chamber";
import type { Change, Part } from "../model";
import type { PartLine } from "./cost";

/** What a person says of a part: its price, that it is there already; of one's own all of it. */
export type PartSaid = Partial<Pick<Part, "name" | "quantity" | "price" | "owned">>;

/** Keeps what is said of a line; of a part that is worked out only what cannot be worked out. */
export const sayPart =
  (line: PartLine, by: PartSaid): Change =>
  (r) => {
    const kept = r.parts.find((p) => p.id === line.id);
    if (kept) return { ...r, parts: r.parts.map((p) => (p === kept ? { ...p, ...by } : p)) };
    const { key, name, quantity, unit, price, owned } = line;
    const fresh: Part = {
      id: freshId(r.parts, "x"),
      key,
      name: name.slice(0, 80),
      quantity,
      unit,
      price,
      owned,
      ...by,
    };
    return { ...r, parts: [...r.parts, fresh] };
  };

/** One more part of one's own. */
export const addPart: Change = (r) => ({
  ...r,
  parts: [
    ...r.parts,
    { id: freshId(r.parts, "x"), key: "", name: "Something else", quantity: 1, unit: "", price: 0, owned: false },
  ],
});

export const removePart =
  (id: string): Change =>
  (r) => ({ ...r, parts: r.parts.filter((p) => p.id !== id) });
