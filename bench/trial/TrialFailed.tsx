import { RotateCw, Undo2 } from "lucide-react";
import { setRecorded } from "@/core/chamber";
import { useActions, useChamber } from "../context";
import type { LiveTrial } from "../useTrial";

/** Why there is no trial, and the way on. */
export function TrialFailed({ failed, again }: Pick<LiveTrial, "failed" | "again">) {
  const { record } = useChamber();
  const { change } = useActions();
  return (
    <p role="alert" className="flex flex-wrap items-center gap-3 px-3 py-1">
      <span className="text-error max-w-prose font-semibold">
        The trial could not be run: {failed}. Nothing is lost.
      </span>
      <button type="button" className="key" onClick={again}>
        <RotateCw size={18} aria-hidden /> Run it again
      </button>
      {record.roomReadings && (
        <button type="button" className="key" onClick={() => change(setRecorded(null), "recorded room")}>
          <Undo2 size={18} aria-hidden /> Leave the recorded room, go back to the daily swing
        </button>
      )}
    </p>
  );
}
