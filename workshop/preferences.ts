import { PREFERENCES_ID, PREFERENCES_VERSION, type ChamberRecord, type PreferencesRecord } from "@/core/model";
import { isQuick } from "@/core/trial";

/** Regions that use degrees Fahrenheit and gallons in the kitchen. */
const FAHRENHEIT = /[-_](US|LR|MM|BS|BZ|KY|PW|FM|MH)\b/i;

/** Preferences before anybody chose: units guessed from the browser's locale. */
export function firstPreferences(locale: string, now: string): PreferencesRecord {
  const customary = FAHRENHEIT.test(locale);
  return {
    id: PREFERENCES_ID,
    kind: "preferences",
    schemaVersion: PREFERENCES_VERSION,
    revision: 0,
    updatedAt: now,
    demo: false,
    scale: customary ? "F" : "C",
    system: customary ? "customary" : "metric",
    theme: "auto",
    singleKeys: true,
    trialDays: 7,
    quickTrialDays: 1,
    demoSeeded: false,
  };
}

type Lengths = Pick<PreferencesRecord, "trialDays" | "quickTrialDays">;

/** Which of the two lengths of a trial a chamber takes. */
export const lengthField = (record: ChamberRecord): keyof Lengths =>
  isQuick(record.cabinet.kind?.value ?? "upright") ? "quickTrialDays" : "trialDays";

/** Days that the trial of a chamber runs. */
export const trialDaysOf = (preferences: Lengths, record: ChamberRecord): number => preferences[lengthField(record)];
