import { tryEdits } from "../chamber";
import type { ChamberRecord } from "../model";
import { isQuick } from "../trial";
import { weigh, type Verdict } from "../verdict";
import { verdictsOn } from "./build";

const STEP = 10;
const serious = (all: readonly Verdict[]) => all.filter((v) => v.severity === "danger" || v.severity === "warning");

/**
 * What a person gets who presses the first "Keep it" that cures up to five times: the chambers on the way, what is left
 * in the end, and whether no remedy cured any more.
 */
export function walk(start: ChamberRecord): { way: string[]; left: Verdict[]; uncured: boolean } {
  const days = isQuick(start.cabinet.kind?.value ?? "upright") ? 1 : 3;
  const way = [JSON.stringify(start)];
  let record = start;
  for (let pressed = 0; pressed < 5; pressed++) {
    const all = verdictsOn(record, days, STEP);
    const left = serious(all);
    if (left.length === 0) return { way, left, uncured: false };
    const next = left
      .flatMap((verdict) => weigh(record, verdict, all, days, "C", STEP))
      .find((e) => e.cures && !e.harms);
    if (!next) return { way, left, uncured: true };
    const changed = tryEdits(record, next.remedy.edits);
    if (!changed.ok) throw new Error(changed.problem);
    record = changed.value;
    way.push(JSON.stringify({ ...record, revision: 0, updatedAt: "" }));
  }
  return { way, left: serious(verdictsOn(record, days, STEP)), uncured: false };
}
