import { useMemo } from "react";
import { alarmsOf } from "@/core/controller";
import { useBench } from "../context";

/** The alarms of the unit that is looked at, over the stage that is looked at: none where the trial does not come to it. */
export function useAlarms() {
  const { chamber, control, unit, result } = useBench();
  const { from, to } = result ?? {};
  const one = chamber.stages.length === 1;
  return useMemo(
    () =>
      one
        ? alarmsOf(control.settings, unit)
        : to === undefined
          ? NONE
          : { ...alarmsOf(control.settings, unit), from, to },
    [one, control.settings, unit, from, to],
  );
}

const NONE = { low: null, high: null };
