import type { BandSpan } from "@/core/trial";
import type { View } from "./view";

interface Props {
  names: readonly string[];
  bands: readonly BandSpan[];
  view: View;
  left: number;
  top: number;
  width: number;
  height: number;
}

/** A name needs about so many pixels a letter. */
const LETTER = 6.6;

/** Where one stage ends and the next begins, with their names where they have room. */
export function StageMarks({ names, bands, view, left, top, width, height }: Props) {
  if (names.length < 2) return null;
  const x = (t: number) => left + Math.min(1, Math.max(0, (t - view.from) / (view.to - view.from))) * width;
  // The steps of a way are one stage.
  const stages = bands
    .filter((b, i) => bands.findIndex((o) => o.stage === b.stage) === i)
    .map((b) => ({ ...b, to: bands.filter((o) => o.stage === b.stage).at(-1)!.to }));
  return (
    <g className="text-[12px]" fill="currentColor">
      {stages.map((b) => {
        const [from, to] = [x(b.from), x(b.to)];
        const name = names[b.stage] ?? "";
        const fits = to - from > name.length * LETTER + 6;
        return (
          <g key={b.stage}>
            {b.from > view.from && (
              <path d={`M ${from} ${top} v ${height}`} stroke="currentColor" strokeWidth="1" strokeDasharray="6 3" />
            )}
            <text
              x={from + 4}
              y={top + 11}
              stroke="var(--color-base-100)"
              strokeWidth="3"
              paintOrder="stroke"
              fontWeight="600"
            >
              {fits ? name : to - from > 14 ? b.stage + 1 : ""}
            </text>
          </g>
        );
      })}
    </g>
  );
}
