import { PREFERENCES_ID, PREFERENCES_VERSION, type PreferencesRecord } from "@/core/model";

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
    currency: "",
    tariff: 0,
    carbon: 0,
    demoSeeded: false,
  };
}
