import type { Cord, OutletName } from "./plan";

/** What a wire is for. */
export type Job = "first" | "second" | "earth" | "switched" | "low";

/** A way in from a cord: `way1.1` its line, `way1.2` its other conductor, `way1.e` its earth. */
type Way = `way${Cord}.${"1" | "2" | "e"}`;
/** What belongs to one outlet: its conductors, the circuit of a coil and its way back, the low-voltage drive. */
type OfOutlet = `${OutletName}.${"1" | "2" | "e" | "coil" | "back" | "drive+" | "drive-"}`;
/** Low voltage beyond the barrier. */
type Low = `low.${string}`;
export type LineName = Way | OfOutlet | Low;

const suffix = (line: LineName): string => line.slice(line.indexOf(".") + 1);

/** What the wires of a line are for, before anything on it switches. */
export function jobOf(line: LineName): Job {
  if (line.startsWith("low")) return "low";
  switch (suffix(line)) {
    case "1":
    case "coil":
      return "first";
    case "2":
    case "back":
      return "second";
    case "e":
      return "earth";
    default:
      return "low";
  }
}

/** The line on whose end another one begins; null: it begins with its own first part. */
export function parentOf(line: LineName, cord: (o: OutletName) => Cord): LineName | null {
  const o: OutletName | null = line.startsWith("heat.") ? "heat" : line.startsWith("cold.") ? "cold" : null;
  if (!o) return null;
  switch (suffix(line)) {
    case "1":
      return `way${cord(o)}.1`;
    case "2":
      return `way${cord(o)}.2`;
    // Earth and the circuits of coils hang on the first cord, whoever feeds the outlet.
    case "e":
      return "way1.e";
    case "coil":
      return "way1.1";
    case "back":
      return "way1.2";
    default:
      return null;
  }
}
