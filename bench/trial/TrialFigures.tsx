import type { Scale } from "@/core/quantity";
import { figuresOf, printChange, printFigure, type Figure, type FiguresOf } from "./figures";

interface Props {
  of: FiguresOf;
  scale: Scale;
  judged: string;
  /** A kept trial that this one is compared with. */
  before?: FiguresOf | null;
  /** What the two are called. */
  heads?: readonly [string, string];
  /** Only the figures that differ. */
  changed?: boolean;
}

/** What the trial amounts to, in figures; beside a kept one with their differences. */
export function TrialFigures({ of, scale, judged, before, heads = ["Kept", "Now"], changed = false }: Props) {
  const all = figuresOf(of, scale, judged);
  const then = before ? figuresOf(before, scale, judged) : null;
  const differs = (figure: Figure) => {
    const old = then?.find((f) => f.name === figure.name);
    return old === undefined || printFigure(old) !== printFigure(figure);
  };
  const now = changed ? all.filter(differs) : all;
  if (now.length === 0) return <p>Its figures stay the same.</p>;
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse">
        {then && (
          <thead>
            <tr className="border-base-content border-b text-right">
              <th className="text-left font-semibold">Figure</th>
              <th className="pl-4 font-semibold">{heads[0]}</th>
              <th className="pl-4 font-semibold">{heads[1]}</th>
              <th className="pl-4 font-semibold">Change</th>
            </tr>
          </thead>
        )}
        <tbody>
          {now.map((figure) => {
            const old = then?.find((f) => f.name === figure.name);
            return (
              <tr key={figure.name} className="rule-line border-b">
                <th scope="row" className="py-1 text-left font-normal">
                  {figure.name}
                </th>
                {then && (
                  <td className="py-1 pl-4 text-right whitespace-nowrap">{old ? printFigure(old) : "\u2013"}</td>
                )}
                <td className="py-1 pl-4 text-right font-semibold whitespace-nowrap">{printFigure(figure)}</td>
                {then && <td className="py-1 pl-4 text-right whitespace-nowrap">{printChange(old, figure)}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
