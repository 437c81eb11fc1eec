import type { ChamberRecord, PreferencesRecord } from "@/core/model";
import { isQuick } from "@/core/trial";

type Lengths = Pick<PreferencesRecord, "trialDays" | "quickTrialDays">;

/** Which of the two lengths of a trial a chamber takes. */
export const lengthField = (record: ChamberRecord): keyof Lengths =>
  isQuick(record.cabinet.kind?.value ?? "upright") ? "quickTrialDays" : "trialDays";

/** Days that the trial of a chamber runs. */
export const trialDaysOf = (preferences: Lengths, record: ChamberRecord): number => preferences[lengthField(record)];
