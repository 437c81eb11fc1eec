import { useMemo } from "react";
import { alarmsOf } from "@/core/controller";
import { useShownTrial } from "../context";

/** The alarms of the unit that is looked at, over the stage that is looked at: none where the trial does not come to it. */
export function useAlarms() {
  const { of, result } = useShownTrial();
  const { from, to } = result ?? {};
  const one = of?.chamber.stages.length === 1;
  const settings = of?.control.settings;
  const unit = of?.unit;
  return useMemo(
    () =>
      !settings || !unit || (!one && to === undefined)
        ? NONE
        : { ...alarmsOf(settings, unit), ...(one ? {} : { from, to }) },
    [one, settings, unit, from, to],
  );
}

const NONE = { low: null, high: null };
