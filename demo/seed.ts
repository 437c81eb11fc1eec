import { bringIn, removeRecords, setPreferences, useWorkshop } from "@/workshop";
import { hollinMill } from "./hollinMill";

const chambers = () => Object.values(useWorkshop.getState().records).filter((r) => r.kind === "chamber");

/** Puts the demo into an empty profile, once: never over anybody's own work, never again after it was removed. */
export function seedDemoOnce(): boolean {
  const { preferences } = useWorkshop.getState();
  if (preferences.demoSeeded || chambers().length > 0) return false;
  bringDemoBack();
  return true;
}

/** Brings the demo in as it was, beside whatever is there. */
export function bringDemoBack(): void {
  bringIn(hollinMill(), "demo");
  setPreferences({ demoSeeded: true });
}

export const demoIsThere = (): boolean => chambers().some((r) => r.demo);

export function removeDemo(): void {
  removeRecords(
    chambers()
      .filter((r) => r.demo)
      .map((r) => r.id),
    "demo",
  );
}
