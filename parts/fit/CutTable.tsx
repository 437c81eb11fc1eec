import type { Panel } from "@/core/foam";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";

/** Every piece with its measures and its edges, alike ones together. */
export function CutTable({ panels, system }: { panels: readonly Panel[]; system: UnitSystem }) {
  const print = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system);
  const alike = new Map<string, { panel: Panel; names: string[] }>();
  for (const panel of panels) {
    const key = `${panel.of} ${panel.length.toFixed(4)} ${panel.width.toFixed(4)} ${panel.edge}`;
    const found = alike.get(key);
    if (found) found.names.push(panel.name);
    else alike.set(key, { panel, names: [panel.name] });
  }
  return (
    <div className="overflow-x-auto">
      <table className="text-left" aria-label="Cut list">
        <thead>
          <tr className="rule-line border-b">
            {["Piece", "How many", "Length", "Width", "Edges"].map((head) => (
              <th key={head} className="py-1 pr-5 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...alike.values()].map(({ panel, names }) => (
            <tr key={names.join()} className="rule-line border-b align-top">
              <td className="py-1 pr-5">{names.join(", ")}</td>
              <td className="pr-5">{names.length}</td>
              <td className="pr-5 whitespace-nowrap">{print(panel.length)}</td>
              <td className="pr-5 whitespace-nowrap">{print(panel.width)}</td>
              <td>{panel.edge}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
