import { useMemo } from "react";
import { layerLabel, type TraceLayer, type Trace } from "@/core/trial";
import { useShownTrial } from "../context";

/** The lines of the vessels that are judged beside the first: they are always on show. */
export function useOtherVessels(trace: Trace): (TraceLayer & { label: string })[] {
  const chamber = useShownTrial().of?.chamber;
  return useMemo(
    () =>
      (chamber ? trace.layers : [])
        // In a smoker the food is judged only where it has a band of its own.
        .filter((l) => l.kind === "vessel" && (chamber!.stages[0]!.of === "product" || chamber!.vessels[l.index]?.band))
        .flatMap((l) => (chamber!.vessels[l.index] ? [{ ...l, label: layerLabel(l, chamber!) }] : [])),
    [trace, chamber],
  );
}
