import { chamberRecord, type ChamberRecord, type Happening, type RoomSeries } from "../model";
import { read, refuse, type Read } from "../quantity";
import { contradictions } from "./tryEdits";
import { describe } from "./describe";

/** A change of a whole record: lists and tables, which are no single values. */
export type Change = (record: ChamberRecord) => ChamberRecord;

/** Makes a change if the record that results is a possible one; otherwise says why not and changes nothing. */
export function tryChange(record: ChamberRecord, change: Change): Read<ChamberRecord> {
  const parsed = chamberRecord.safeParse(change(record));
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!;
    return refuse(`${issue.path.join(" \u203a ")}: ${issue.message}`);
  }
  const before = new Set(contradictions(describe(record)));
  const problem = contradictions(describe(parsed.data)).find((p) => !before.has(p));
  return problem ? refuse(problem) : read(parsed.data);
}

/** One more vessel, like the last one. */
export const addVessel: Change = (r) => ({ ...r, vessels: [...r.vessels, r.vessels[r.vessels.length - 1]!] });
export const addProbe: Change = (r) => ({ ...r, probes: [...r.probes, { probe: {} }] });

const without = <T>(list: readonly T[], index: number): T[] => list.filter((_, i) => i !== index);
/** The last one stays: a chamber has a vessel, and a controller has a probe. */
export const removeVessel =
  (index: number): Change =>
  (r) =>
    r.vessels.length > 1 ? { ...r, vessels: without(r.vessels, index) } : r;
export const removeProbe =
  (index: number): Change =>
  (r) =>
    r.probes.length > 1 ? { ...r, probes: without(r.probes, index) } : r;

/** Puts a happening in, or over the one with its id. */
export const putHappening =
  (happening: Happening): Change =>
  (r) => ({
    ...r,
    happenings: r.happenings.some((h) => h.id === happening.id)
      ? r.happenings.map((h) => (h.id === happening.id ? happening : h))
      : [...r.happenings, happening],
  });
export const dropHappening =
  (id: string): Change =>
  (r) => ({ ...r, happenings: r.happenings.filter((h) => h.id !== id) });
export const dropAllHappenings: Change = (r) => ({ ...r, happenings: [] });

export const setSeries =
  (series: RoomSeries | null): Change =>
  (r) => ({ ...r, roomSeries: series });
