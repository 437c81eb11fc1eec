import Papa from "papaparse";
import { FORMULA } from "./csv";

describe("a cell that a spreadsheet would work out", () => {
  it.each(["=1+1", "@SUM(A1)", "+A1", "-A1", "\t=1", "\r=1", "=cmd|' /C calc'!A0", "-2+3+cmd|' /C calc'!A0"])(
    "%j is written as text",
    (cell) => expect(Papa.unparse([[cell]], { escapeFormulae: FORMULA }).replace(/^"/, "")).toMatch(/^'/),
  );
  it.each(["-5.20", "+3", "21.5", "1e-3", "-1.5e-3", "Sour \u2212 sweet", "Ale"])("%j stays as it is", (cell) =>
    expect(Papa.unparse([[cell]], { escapeFormulae: FORMULA })).toBe(cell),
  );
});
