import { tryEdits } from "../chamber";
import type { ChamberRecord } from "../model";
import { sameVerdict, weigh, type Severity, type Verdict } from "../verdict";
import { verdictsOn } from "./build";

const rank: Record<Severity, number> = { danger: 0, warning: 1, note: 2, good: 3 };

const verdictsFor = (record: ChamberRecord, days: number): Verdict[] => verdictsOn(record, days, 10);

export interface Share {
  offered: number;
  kept: number;
  /** What did not keep its word, in words. */
  broken: string[];
}

/**
 * Of the remedies that the bench offers as a cure (weighed on a trial of `days`), how many remove their verdict and
 * bring none of the same or a higher severity in another, longer trial.
 */
export function remedyShare(records: readonly ChamberRecord[], days: number, longer: number): Share {
  const share: Share = { offered: 0, kept: 0, broken: [] };
  records.forEach((record, i) => {
    const all = verdictsFor(record, days);
    const longBefore = verdictsFor(record, longer);
    for (const verdict of all) {
      if (verdict.remedies.length === 0 || !longBefore.some((v) => sameVerdict(v, verdict))) continue;
      for (const { remedy, cures, harms } of weigh(record, verdict, all, days, "C", 10)) {
        if (!cures || harms) continue;
        share.offered++;
        const changed = tryEdits(record, remedy.edits);
        const after = changed.ok ? verdictsFor(changed.value, longer) : longBefore;
        const gone = !after.some((v) => sameVerdict(v, verdict));
        const worse = after.find(
          (v) =>
            rank[v.severity] <= rank[verdict.severity] &&
            v.severity !== "good" &&
            !longBefore.some((b) => sameVerdict(b, v)),
        );
        if (gone && !worse) share.kept++;
        else
          share.broken.push(
            `chamber ${i}: ${verdict.id} / ${remedy.id}${gone ? `, but then ${worse!.id}` : ", still there"}`,
          );
      }
    }
  });
  return share;
}
