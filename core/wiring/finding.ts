/** Something that is wrong with a wiring as it is planned, and what mends it. */
export interface WiringFinding {
  id: string;
  severity: "danger" | "warning" | "note";
  text: string;
  mend: string;
}

/** Takes down a finding: what it is known by, how bad it is, what is wrong, what mends it. */
export type Say = (id: string, severity: WiringFinding["severity"], text: string, mend: string) => void;
