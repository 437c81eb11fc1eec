import { nanoid } from "nanoid";
import { useEffect } from "react";
import { newChamber, tryChange, tryEdits } from "@/core/chamber";
import { printTemperature } from "@/core/quantity";
import {
  type Change,
  PREFERENCES_ID,
  sayProblem,
  type ChamberRecord,
  type Edit,
  type PreferencesRecord,
  type Station,
  type WorkshopRecord,
  type Problem,
} from "@/core/model";
import { nextOn, remember, travelled, type RecordDiff, type Step } from "./history";
import { stamp } from "./clock";
import { askToKeep } from "./keeping";
import { lookForLoss, markKept } from "./kept";
import { askOnLeaving } from "./leaving";
import { keepHistory, recallHistory } from "./session";
import { firstPreferences } from "./preferences";
import { dropQuarantined, readAll, readOne, storedIds, writeMany } from "./storage";
import { useWorkshop, type SaveState, type WorkshopState } from "./state";
import { openLine, type Line } from "./tabs";
import { movedOut, sweep } from "./tidy";
import { troubleOf } from "./trouble";
import { Writer } from "./writer";

const now = stamp;

const { getState: get, setState: set } = useWorkshop;

let line: Line | null = null;

/** Own ones: a demo that is lost is no loss. */
const chambersIn = (records: Record<string, WorkshopRecord>): number =>
  Object.values(records).filter((r) => r.kind === "chamber" && !r.demo).length;

const writer = new Writer(writeMany, {
  onState: (unsaved, trouble) => {
    const save: SaveState = trouble ? "failed" : unsaved.length ? "saving" : "saved";
    const before = get();
    const same = before.unsaved.length === unsaved.length && unsaved.every((id) => before.unsaved.includes(id));
    if (before.save !== save || before.trouble !== trouble || !same)
      set({ save, trouble, unsaved: same ? before.unsaved : unsaved });
    askOnLeaving(save !== "saved");
  },
  onWritten: (written) => {
    for (const { id, now: merged } of written) {
      if (merged) show(id, merged);
      line?.tell({ say: "wrote", id });
    }
    mark();
    lookSoon();
  },
  onConflict: (id, theirs, newer) => {
    if (newer) {
      // A newer application has been at it: it stays as that one left it, and nobody is asked.
      writer.drop(id);
      if (!toldNewer) set({ refused: NEWER });
      toldNewer = true;
      return;
    }
    set({ conflicts: [...get().conflicts.filter((c) => c.id !== id), { id, theirs }] });
    // Removed in another tab, or is the whole store gone?
    if (!theirs) lookSoon();
  },
});

let toldNewer = false;
const NEWER =
  "A newer Gentle Crock has stored this here: it is left as it is, and what you change of it now holds until this page is closed. Load the page anew to get the newer one.";

/** Remembers how much is kept here. While something is missing that stays as it was, until it is back or the person knows. */
function mark(): void {
  const { loss, records } = get();
  const chambers = chambersIn(records);
  if (loss && chambers < loss.of) return;
  markKept(chambers, now());
  if (loss) set({ loss: null });
}

/** Records that stand here as stored, and that the store does not hold. */
async function missing(): Promise<string[]> {
  const stored = await storedIds();
  return Object.keys(get().records).filter((id) => writer.revisionOf(id) !== undefined && !stored.has(id));
}

/** After a write, and as long as another tab may take to tell what it removed, ms. */
const SOON = 300;
const TOLD = 700;
let looking: ReturnType<typeof setTimeout> | undefined;

/** Looks whether the store still holds what it has acknowledged: a browser clears it without a word. */
function lookSoon(): void {
  clearTimeout(looking);
  looking = setTimeout(() => void look().catch(() => undefined), SOON);
}

async function look(): Promise<void> {
  const first = await missing();
  if (first.length > 0) await new Promise((resolve) => setTimeout(resolve, TOLD));
  const still = first.length > 0 ? (await missing()).filter((id) => first.includes(id)) : [];
  const { dropped, conflicts } = get();
  // One record alone, changed here and gone there, is asked about by its name.
  if (still.length === 1 && conflicts.some((c) => c.id === still[0])) return;
  if (still.length === 0 && dropped.length === 0) return;
  set({ dropped: still, conflicts: conflicts.filter((c) => c.theirs !== null || !still.includes(c.id)) });
}

/** Stores anew all that the store has dropped and this page still holds. */
export function putBack(): void {
  const { dropped, records } = get();
  set({ dropped: [] });
  writer.force(dropped.map((id) => [id, records[id] ?? null] as const));
}

/** Lets go of what the store has dropped: it goes from this page too. */
export function letGo(): void {
  const { dropped } = get();
  set({ dropped: [] });
  for (const id of dropped) {
    writer.drop(id);
    writer.know(id, null);
    show(id, null);
  }
  mark();
}

/** Puts a record on screen as the store has it. */
function show(id: string, record: WorkshopRecord | null): void {
  const { [id]: _old, ...others } = get().records;
  set({
    records: record ? { ...others, [id]: record } : others,
    ...(record?.kind === "preferences" ? { preferences: record } : {}),
  });
}

/** Takes over a record as another tab has stored it, unless it is being changed here: then that is asked about. */
async function takeOver(id: string): Promise<void> {
  // A write in progress will meet the other's revision and ask.
  if (writer.busyWith(id)) return;
  const before = get().records[id];
  const record = await readOne(id);
  // A hand may have moved meanwhile: what it did must neither vanish from here nor overwrite the other unasked.
  if (writer.busyWith(id) || get().records[id] !== before) return;
  writer.know(id, record);
  show(id, record);
  mark();
}

/** Out of the browser's back cache a page stands as it was left: what has been stored since is taken over. */
async function readAgain(): Promise<void> {
  const { records } = await readAll(now());
  const known = get().records;
  const stored = new Map(records.map((r) => [r.id, r.revision]));
  const moved = [...new Set([...Object.keys(known), ...stored.keys()])].filter(
    (id) => stored.get(id) !== writer.revisionOf(id),
  );
  for (const id of moved) await takeOver(id);
}

/** Opens the workshop of this browser profile. Safe to call again. */
export async function openWorkshop(): Promise<void> {
  if (get().status !== "closed") return;
  set({ status: "opening" });
  try {
    const { records, quarantine, newer } = await readAll(now());
    for (const record of records) writer.know(record.id, record);
    const byId = Object.fromEntries(records.map((r) => [r.id, r]));
    const stored = byId[PREFERENCES_ID];
    set({
      records: byId,
      quarantine,
      newer,
      loss: quarantine.length + newer === 0 ? lookForLoss(chambersIn(byId)) : null,
      preferences: stored?.kind === "preferences" ? stored : firstPreferences(navigator.language, now()),
      status: "open",
    });
    set(recallHistory());
    window.addEventListener("pagehide", () => keepHistory(get()));
    line = openLine((word) => {
      if (word.say === "here") line?.tell({ say: "here too" });
      if (word.say === "here" || word.say === "here too") set({ company: true });
      if (word.say === "leaving") {
        // Another one may still be there: it answers.
        set({ company: false });
        line?.tell({ say: "here" });
      }
      if (word.say === "wrote") void takeOver(word.id).catch(() => undefined);
    });
    line.tell({ say: "here" });
    window.addEventListener("pagehide", () => line?.tell({ say: "leaving" }));
    void tidy(records, quarantine.length + newer);
    document.addEventListener("visibilitychange", () => {
      if (document.visibilityState === "visible") lookSoon();
    });
    window.addEventListener("pageshow", (e) => {
      if (!e.persisted) return;
      line?.tell({ say: "here" });
      // A store that does not answer now says so with the next write.
      void readAgain().catch(() => undefined);
    });
  } catch (error) {
    set({ status: "unavailable", trouble: troubleOf(error, "unopenable").kind });
  }
}

/** What is done once the workshop stands open, and can wait: where it fails, the next opening does it. */
async function tidy(found: readonly WorkshopRecord[], unread: number): Promise<void> {
  try {
    await sweep(found, unread, now());
    for (const [before, after] of await movedOut(found, now()))
      if (get().records[before.id] === before) place([{ id: before.id, before, after }], "after");
  } catch {
    // Everything can be read as it lies.
  }
}

/** Tries once more to open what could not be opened. */
export async function openAgain(): Promise<void> {
  if (get().status === "unavailable") set({ status: "closed", trouble: null });
  await openWorkshop();
}

/** The person has been told of a loss. */
export function acceptLoss(): void {
  markKept(chambersIn(get().records), now());
  set({ loss: null });
}

/** Puts records in place, in memory at once and in the store as soon as it acknowledges. */
function place(changes: readonly RecordDiff[], side: "before" | "after"): void {
  const changed = new Map(changes.map((change) => [change.id, change[side]]));
  const kept = Object.values(get().records).filter((record) => !changed.has(record.id));
  const placed = [...changed.values()].filter((record) => record !== null);
  const before = chambersIn(get().records);
  set({ records: Object.fromEntries([...kept, ...placed].map((record) => [record.id, record])) });
  // What is removed on purpose is no loss, even where the page dies as the store takes it out.
  if (chambersIn(get().records) < before) mark();
  writer.put(changed);
}

/** Resolves once none of these records is on its way to the store any more. */
export const whenStored = (ids: readonly string[]): Promise<void> => writer.settled(ids);

function commit(label: string, changes: RecordDiff[], merge?: string): void {
  place(changes, "after");
  set(remember(get(), { label, changes, merge, at: Date.now() }));
}

export function chamberById(id: string | null): ChamberRecord | undefined {
  const record = id === null ? undefined : get().records[id];
  return record?.kind === "chamber" ? record : undefined;
}

const GONE: Problem = { code: "noSuch", at: [], text: "This chamber is no longer there." };

/** Changes values of a chamber; returns the problem where that is impossible, and stores nothing then. */
export function editChamber(id: string, edits: readonly Edit[], label: string, merge?: string): Problem | null {
  const before = chamberById(id);
  if (!before) return GONE;
  const tried = tryEdits(before, edits);
  if (!tried.ok) return tried.why;
  commit(label, [{ id, before, after: { ...tried.value, updatedAt: now() } }], merge);
  const [freed] = tried.freed ?? [];
  if (freed !== undefined) {
    const target = printTemperature(freed, get().preferences.scale);
    set({ refused: `The target of ${target} no longer lay within the band: it went back to the middle of it.` });
  }
  return null;
}

/** Changes lists and tables of a chamber; returns the problem where that is impossible, and stores nothing then. */
export function changeChamber(id: string, change: Change, label: string, merge?: string): Problem | null {
  const before = chamberById(id);
  if (!before) return GONE;
  const tried = tryChange(before, change);
  if (!tried.ok) return tried.why;
  commit(label, [{ id, before, after: { ...tried.value, updatedAt: now() } }], merge);
  return null;
}

export function renameChamber(id: string, name: string): string | null {
  const before = chamberById(id);
  if (!before) return "This chamber is no longer there.";
  const trimmed = name.trim();
  if (!trimmed) return "Give it a name.";
  if (trimmed.length > 60) return "Keep the name under 60 letters.";
  commit("name", [{ id, before, after: { ...before, name: trimmed, updatedAt: now() } }]);
  return null;
}

/** Longest name that a copy is made from, so that "copy" still fits behind it. */
const NAME_OF_COPY = 54;

/** A chamber once more, as one's own; returns its id, or null where there is none to copy. */
export function duplicateChamber(id: string): string | null {
  const original = chamberById(id);
  if (!original) return null;
  const copy = nanoid(12);
  const at = now();
  const name = `${original.name.slice(0, NAME_OF_COPY).trimEnd()}, copy`;
  const after = { ...original, id: copy, name, demo: false, revision: 0, createdAt: at, updatedAt: at };
  commit(`copy of ${original.name}`, [{ id: copy, before: null, after }]);
  return copy;
}

/** Puts a chamber by, behind the others, or takes it out again. */
export function putBy(id: string, by: boolean): void {
  const before = chamberById(id);
  if (!before || Boolean(before.archived) === by) return;
  const { archived: _was, ...rest } = before;
  const after = { ...rest, ...(by ? { archived: true as const } : {}), updatedAt: now() };
  commit(`${by ? "put by" : "take out"} ${before.name}`, [{ id, before, after }]);
}

/** Marks a station as looked at and found right, or takes the mark away. */
export function settle(id: string, station: Station, settled: boolean): void {
  const before = chamberById(id);
  if (!before || before.settled.includes(station) === settled) return;
  const marks = settled ? [...before.settled, station] : before.settled.filter((s) => s !== station);
  commit("settled", [{ id, before, after: { ...before, settled: marks, updatedAt: now() } }]);
}

/** Adds a chamber with its first answers; returns its id, or the reason why not. */
export function addChamber(
  name: string,
  edits: readonly Edit[],
  job: string | null = null,
  begin: Change = (record) => record,
): { id: string } | { problem: string } {
  const id = nanoid(12);
  const tried = tryEdits(newChamber(id, name.trim() || "My chamber", now()), edits);
  if (!tried.ok) return { problem: tried.problem };
  commit("new chamber", [{ id, before: null, after: { ...begin(tried.value), job } }]);
  void askToKeep();
  return { id };
}

export function removeRecords(ids: readonly string[], label: string): void {
  const { records } = get();
  commit(
    label,
    ids.flatMap((id): RecordDiff[] => (records[id] ? [{ id, before: records[id], after: null }] : [])),
  );
}

/** Puts records in, each over the one with its id. One undoable step. */
export function bringIn(incoming: readonly WorkshopRecord[], label: string, removing: readonly string[] = []): void {
  const { records } = get();
  const changes: RecordDiff[] = incoming.map((after) => ({ id: after.id, before: records[after.id] ?? null, after }));
  for (const id of removing)
    if (records[id] && !incoming.some((r) => r.id === id)) changes.push({ id, before: records[id], after: null });
  if (changes.length) commit(label, changes);
  const preferences = incoming.find((r) => r.kind === "preferences");
  if (preferences) set({ preferences });
}

export function setPreferences(change: Partial<PreferencesRecord>): void {
  const preferences = { ...get().preferences, ...change, updatedAt: now() };
  set({ preferences, records: { ...get().records, [PREFERENCES_ID]: preferences } });
  writer.put([[PREFERENCES_ID, preferences]]);
}

/** Sits down at a record, or gets up (null). */
export const sitAt = (desk: string | null): void => set({ desk });

/** Sits at a record for as long as the page of it is open. */
export function useDesk(id: string): void {
  useEffect(() => {
    sitAt(id || null);
    return () => sitAt(null);
  }, [id]);
}

/** What undo would take back here; null where there is nothing. */
export const lastStep = ({ past, desk }: WorkshopState): Step | null => nextOn(past, desk);

/** The labels of what undo and redo would do here. */
export const labelsOf = ({ past, future, desk }: WorkshopState): { undo: string | null; redo: string | null } => ({
  undo: nextOn(past, desk)?.label ?? null,
  redo: nextOn(future, desk)?.label ?? null,
});

function travel(from: "past" | "future"): string | null {
  const state = get();
  const step = nextOn(state[from], state.desk);
  if (!step) return null;
  const to = from === "past" ? "future" : "past";
  const there = travelled(step, from === "past", state.records);
  if (!there.ok) {
    set({
      refused: `\u201c${step.label}\u201d cannot be ${from === "past" ? "undone" : "done again"}: ${there.problem}`,
    });
    return null;
  }
  place(there.changes, "after");
  // As the step stands now: what another tab did meanwhile is in it on both sides.
  const moved = there.changes.map(({ id, before, after }) =>
    from === "past" ? { id, before: after, after: before } : { id, before, after },
  );
  set({
    [from]: state[from].filter((s) => s !== step),
    [to]: [...state[to], { ...step, changes: moved }],
    refused: null,
  });
  const preferences = get().records[PREFERENCES_ID];
  if (preferences?.kind === "preferences") set({ preferences });
  return step.label;
}

/** Says at the top of the page what could not be done, where nothing else would. */
export const sayRefused = (why: Problem): void => set({ refused: sayProblem(why) });

/** The person has read it. */
export const dropRefused = (): void => set({ refused: null });

/** Takes the last step back, at a desk the last one on its record; returns its label. */
export const undo = (): string | null => travel("past");
export const redo = (): string | null => travel("future");

/** Settles a conflict: the other tab's version is taken over, or ours overwrites it knowingly. */
export async function settleConflict(id: string, keep: "mine" | "theirs"): Promise<void> {
  const { conflicts, records } = get();
  if (!conflicts.some((c) => c.id === id)) return;
  set({ conflicts: conflicts.filter((c) => c.id !== id) });
  if (keep === "mine") writer.force([[id, records[id] ?? null]]);
  else {
    writer.drop(id);
    await takeOver(id);
  }
}

export async function discardQuarantined(key: string): Promise<void> {
  await dropQuarantined(key);
  set({ quarantine: get().quarantine.filter((a) => a.key !== key) });
}
