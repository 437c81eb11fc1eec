/** The last instant that a date of four digits can write, ms since 1970. */
const LAST = Date.UTC(9999, 11, 31, 23, 59, 59);

/** Now, as records carry it (RFC 3339): a clock that is set beyond the year 9999, or before 1970, writes nothing that cannot be read again. */
export const stamp = (): string => new Date(Math.min(LAST, Math.max(0, Date.now()))).toISOString();
