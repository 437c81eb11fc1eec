"use client";

import { stageName } from "@/core/program";
import type { Trace } from "@/core/trial";
import { FigureLane, LEFT, RIGHT, type View } from "@/parts/trace";
import { useChamber, useShownTrial } from "../context";
import { Sized } from "./Sized";

const percent = (share: number): string => `${Math.round(share * 100)}\u00a0%`;

/** Humidity of the air in the box, in the scale of time of the trace above. */
export function AirLane({ trace, view }: { trace: Trace; view: View }) {
  const { chamber: now } = useChamber();
  const { humidity } = trace;
  const chamber = useShownTrial().of?.chamber ?? now;
  if (!humidity) return null;
  const asked = chamber.stages.filter((s) => s.humidity > 0);
  const wanted = asked.map(
    (s) => `${asked.length > 1 ? `${stageName(chamber.stages, s.id)} ` : ""}${percent(s.humidity)}`,
  );
  return (
    <section className="grid grid-cols-1 gap-1" aria-label="Humidity of the air">
      <Sized className="h-[62px]">
        {(total) => (
          <FigureLane
            values={humidity.usual}
            from={trace.from}
            width={trace.width}
            view={view}
            limit={null}
            spread={{ low: humidity.low, high: humidity.high, from: trace.from, width: trace.width }}
            label={`Humidity of the air${wanted.length === 1 ? ` \u00b7 wanted ${wanted[0]}` : ""}`}
            print={percent}
            total={total}
            left={LEFT}
            right={RIGHT}
          />
        )}
      </Sized>
      <p className="quiet max-w-prose text-sm">
        Relative humidity; the shade goes from the lowest to the highest over what is estimated.
        {wanted.length > 1 && ` Wanted: ${wanted.join(", ")}.`}
      </p>
    </section>
  );
}
