import { readNote, writeNote } from "./storage";

/** When the whole workshop was last exported from this browser; null where never, or where nothing can be read. */
export async function lastBackup(): Promise<string | null> {
  const at = await readNote("backup").catch(() => null);
  return typeof at === "string" ? at : null;
}

export const noteBackup = (at: string): Promise<unknown> => writeNote("backup", at).catch(() => undefined);

/** How the browser keeps what is stored. */
export type Keeping =
  /** Until the person clears it. */
  | "kept"
  /** It may clear it when the device runs out of space. */
  | "loose"
  | "unknown";

/** Whether the browser has promised to keep it. */
export async function keeping(): Promise<Keeping> {
  try {
    return (await navigator.storage.persisted()) ? "kept" : "loose";
  } catch {
    return "unknown";
  }
}

/** Asks the browser to keep what is stored; some ask the person in turn. */
export async function askToKeep(): Promise<Keeping> {
  try {
    return (await navigator.storage.persist()) ? "kept" : "loose";
  } catch {
    return "unknown";
  }
}
