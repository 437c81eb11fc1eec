import Papa from "papaparse";
import { FORMULA } from "./csv";
import type { PartLine } from "../parts";

/** The parts of a chamber as a table, a row each: what, how many, counted in, price of one, of all, there already. */
export const partsCsv = (lines: readonly PartLine[]): string =>
  Papa.unparse(
    {
      fields: ["part", "quantity", "counted in", "price of one", "price of all", "there already", "with each batch"],
      data: lines.map((l) => [
        l.name,
        l.quantity,
        l.unit || "pieces",
        l.price || "",
        l.price ? Math.round(l.price * l.quantity * 100) / 100 : "",
        l.owned ? "yes" : "no",
        l.eachBatch ? "yes" : "no",
      ]),
    },
    { escapeFormulae: FORMULA },
  );
