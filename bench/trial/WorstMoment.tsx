import { judgedName, type Trial } from "@/core/trial";
import { InsetChart } from "@/parts/trace";
import { useShownTrial, usePreferences } from "../context";
import { Sized } from "./Sized";

/** Three hours at the worst moment of a trial, of whatever it is that fares worst there. */
export function WorstMoment({ trial, className }: { trial: Trial; className: string }) {
  const { of } = useShownTrial();
  const preferences = usePreferences();
  return (
    <Sized className={className}>
      {(width, height) => (
        <InsetChart
          trial={trial}
          scale={preferences.scale}
          width={width}
          height={height}
          judged={judgedName(trial.inset.judged, of?.chamber.vessels ?? [])}
        />
      )}
    </Sized>
  );
}
