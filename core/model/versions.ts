/** Version of each kind of record's form: each has its own steps (kinds.ts). */
export const CHAMBER_VERSION = 12;
export const PROGRAM_VERSION = 1;
export const PREFERENCES_VERSION = 4;
/** Version of the file that a workshop is exported to. */
export const BACKUP_VERSION = 4;
/** Version of the default values: it rises when a default changes, so that a record knows what it was filled with. */
export const DEFAULTS_VERSION = 4;

/** The record of the preferences; no chamber may stand in its place. */
export const PREFERENCES_ID = "preferences";
