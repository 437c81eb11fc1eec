import type { Nested } from "@/core/foam";
import { measures, printMeasure, type UnitSystem } from "@/core/quantity";
import { Hatch } from "./Plan";

interface Props {
  nested: Nested;
  sheet: { length: number; width: number };
  /** Pixels that a sheet is long. */
  across: number;
  system: UnitSystem;
}

/** Panels on the sheets that they are cut from, to scale, each with its measures. */
export function Cuts({ nested, sheet, across, system }: Props) {
  const metre = across / sheet.length;
  const short = (m: number) =>
    printMeasure(Math.round(m * 1000) / 1000, measures.thickness, system).replace(/\s\S+$/, "");
  return (
    <div className="flex flex-wrap gap-4">
      {nested.sheets.map((laid, i) => (
        <figure key={i} className="m-0">
          <svg
            width={across + 2}
            height={sheet.width * metre + 2}
            viewBox={`-1 -1 ${across + 2} ${sheet.width * metre + 2}`}
            role="img"
            aria-label={`Sheet ${i + 1}: ${laid.map((l) => l.panel.name).join(", ")}`}
            className="max-w-full"
          >
            <Hatch />
            <rect
              x="0"
              y="0"
              width={across}
              height={sheet.width * metre}
              fill="url(#block-hatch)"
              stroke="currentColor"
            />
            {laid.map(({ panel, x, y, length, width }, k) => (
              <g key={k}>
                <rect
                  x={x * metre}
                  y={y * metre}
                  width={length * metre}
                  height={width * metre}
                  fill="var(--color-base-100)"
                  stroke="currentColor"
                />
                <text
                  x={(x + length / 2) * metre}
                  y={(y + width / 2) * metre - 2}
                  textAnchor="middle"
                  className="text-xs"
                  fill="currentColor"
                >
                  {panel.name.split(",")[0]!.replace("Lining of the ", "")}
                </text>
                <text
                  x={(x + length / 2) * metre}
                  y={(y + width / 2) * metre + 12}
                  textAnchor="middle"
                  className="text-xs"
                  fill="currentColor"
                >
                  {short(length)} × {short(width)}
                </text>
              </g>
            ))}
          </svg>
          <figcaption className="quiet">Sheet {i + 1}</figcaption>
        </figure>
      ))}
    </div>
  );
}
