"use client";

import { modelOf, printFigure } from "@/core/product";
import { atFirst } from "@/core/quantity";
import { judgedName, type Trace } from "@/core/trial";
import { FigureLane, LEFT, RIGHT, type View } from "@/parts/trace";
import { useChamber, usePreferences } from "../context";
import { Sized } from "./Sized";

/** What becomes of the products, figure by figure, in the scale of time of the trace above. */
export function ProductLanes({ trace, view }: { trace: Trace; view: View }) {
  const { chamber } = useChamber();
  const { scale } = usePreferences();
  const lanes = chamber.vessels.flatMap(({ product, id }, index) =>
    modelOf(product).observables.flatMap((figure) => {
      const course = trace.figures.find((f) => f.index === index && f.name === figure.name);
      const whose = chamber.vessels.length > 1 ? `${atFirst(judgedName(id, chamber.vessels))}: ` : "";
      const label = whose ? `${whose}${figure.label}` : atFirst(figure.label);
      return course ? [{ figure, course, product, label, key: `${id}-${figure.name}` }] : [];
    }),
  );
  if (lanes.length === 0) return null;
  return (
    <section className="grid grid-cols-1 gap-1" aria-label="What becomes of it">
      <h3 className="text-lg">What becomes of it</h3>
      <p className="quiet max-w-prose">
        By the usual course of such a product at the temperatures of this trial: an estimate. A thick stroke stands
        where what is wanted is reached. A reading decides.
      </p>
      {lanes.map(({ figure, course, product, label, key }) => (
        <Sized key={key} className="h-[62px]">
          {(total) => (
            <FigureLane
              values={course.values}
              from={trace.from}
              width={trace.width}
              view={view}
              limit={figure.limit?.(product) ?? null}
              label={label}
              print={(v) => printFigure(v, figure.unit, scale)}
              total={total}
              left={LEFT}
              right={RIGHT}
            />
          )}
        </Sized>
      ))}
    </section>
  );
}
