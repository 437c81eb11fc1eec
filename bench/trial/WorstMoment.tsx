import { judgedName, type Trial } from "@/core/trial";
import { InsetChart } from "@/parts/trace";
import { useShownTrial, usePreferences } from "../context";
import { Sized } from "./Sized";
import { useDevices } from "./useDevices";

/** Three hours at the worst moment of a trial, of whatever it is that fares worst there. */
export function WorstMoment({ trial, className }: { trial: Trial; className: string }) {
  const { of } = useShownTrial();
  const preferences = usePreferences();
  const devices = useDevices();
  return (
    <Sized className={className}>
      {(width, height) => (
        <InsetChart
          trial={trial}
          scale={preferences.scale}
          width={width}
          height={height}
          {...devices}
          judged={judgedName(trial.inset.judged, of?.chamber.vessels ?? [])}
        />
      )}
    </Sized>
  );
}
