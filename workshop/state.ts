import { create } from "zustand";
import type { PreferencesRecord, WorkshopRecord } from "@/core/model";
import type { History } from "./history";
import type { Loss } from "./kept";
import { firstPreferences } from "./preferences";
import type { Quarantined } from "./storage";
import type { TroubleKind } from "./trouble";

/** A record that another tab has changed while this one had changes of its own. */
export interface Conflict {
  id: string;
  theirs: WorkshopRecord | null;
}

export type SaveState = "saved" | "saving" | "failed";

export interface WorkshopState extends History {
  status: "closed" | "opening" | "open" | "unavailable";
  /** Why it is unavailable, or why the last write failed. */
  trouble: TroubleKind | null;
  records: Record<string, WorkshopRecord>;
  preferences: PreferencesRecord;
  quarantine: Quarantined[];
  /** So many records of a newer application lie untouched in the store. */
  newer: number;
  /** There was something in this browser that is gone; null where there was not, or the person has been told. */
  loss: Loss | null;
  /** Ids of what the store has acknowledged and holds no longer; this page still does. */
  dropped: string[];
  /** Of everything. */
  save: SaveState;
  /** Ids of what is not stored yet. */
  unsaved: string[];
  /** Why the last undo could not be done, or what the last edit took along; null where there is nothing to say. */
  refused: string | null;
  /** In the order in which they came; each is asked about. */
  conflicts: Conflict[];
  /** Another tab of this profile is open. */
  company: boolean;
  /** The record that is being worked on: undo stays with it. Null on the Shelf and in the other rooms. */
  desk: string | null;
}

/** What every room shows; it knows nothing of how it is kept, so that a page can stand before that is loaded. */
export const useWorkshop = create<WorkshopState>(() => ({
  status: "closed",
  trouble: null,
  records: {},
  preferences: firstPreferences("en", "2026-01-01T00:00:00.000Z"),
  quarantine: [],
  newer: 0,
  loss: null,
  dropped: [],
  save: "saved",
  unsaved: [],
  refused: null,
  conflicts: [],
  company: false,
  desk: null,
  past: [],
  future: [],
}));
