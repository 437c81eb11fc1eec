import { create } from "zustand";

/** Whether the list of shortcuts is open: opened by its key and by buttons in several rooms. */
export const useShortcutList = create<{ open: boolean }>(() => ({ open: false }));

export const showShortcuts = (open: boolean): void => useShortcutList.setState({ open });
