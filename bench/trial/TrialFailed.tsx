import { RotateCw } from "lucide-react";
import type { LiveTrial } from "../useTrial";

/** Why there is no trial, and the way on. */
export function TrialFailed({ failed, again }: Pick<LiveTrial, "failed" | "again">) {
  return (
    <p role="alert" className="flex flex-wrap items-center gap-3 px-3 py-1">
      <span className="text-error font-semibold">The trial could not be run: {failed}. Nothing is lost.</span>
      <button type="button" className="key" onClick={again}>
        <RotateCw size={18} aria-hidden /> Run it again
      </button>
    </p>
  );
}
