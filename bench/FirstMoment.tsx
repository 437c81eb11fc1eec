import { Undo2 } from "lucide-react";
import { setRecorded } from "@/core/chamber";
import type { ChamberRecord } from "@/core/model";
import { changeChamber } from "@/workshop";
import { TrialFailed } from "./trial/TrialFailed";
import type { LiveTrial } from "./useTrial";

interface Props {
  record: ChamberRecord;
  live: Pick<LiveTrial, "failed" | "again">;
}

/** Until the worker has answered for the first time. Nothing of the bench stands yet: what mends it has to stand here. */
export function FirstMoment({ record, live }: Props) {
  return (
    <main className="grid gap-2 p-8">
      <h1 className="text-2xl">{record.name}</h1>
      {live.failed === null ? <p role="status">Working out its settings …</p> : <TrialFailed {...live} />}
      {live.failed !== null && record.roomReadings && (
        <button
          type="button"
          className="key justify-self-start"
          onClick={() => changeChamber(record.id, setRecorded(null), "recorded room")}
        >
          <Undo2 size={18} aria-hidden /> Leave the recorded room, go back to the daily swing
        </button>
      )}
    </main>
  );
}
