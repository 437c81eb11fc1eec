import {
  placeProblem,
  problemOf,
  programContents,
  programFile,
  PROGRAM_FORMAT,
  PROGRAM_VERSION,
  type ProgramContents,
} from "../model";
import { read, refuse, type Read } from "../quantity";

/** What a file of programs holds: those that are whole, and by name those that are not, with what is wrong. */
export interface ProgramsRead {
  programs: ProgramContents[];
  refused: string[];
}

/** Longest file that is looked into, letters: the most programs that there can be, and room. */
const LONGEST = 5_000_000;
/** So many refusals are said at the most. */
const SAID = 20;

/** Programs as a file; its JSON Schema is public/schema/programs-1.json. */
export const writePrograms = (programs: readonly ProgramContents[]): string =>
  JSON.stringify({ format: PROGRAM_FORMAT, version: PROGRAM_VERSION, programs }, null, 2) + "\n";

/** Reads a file of programs: each comes in whole, or is refused by name with its reason. */
export function readPrograms(text: string): Read<ProgramsRead> {
  if (text.length > LONGEST) return refuse("This file is far too long for programs.");
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return refuse("This is no file of programs: it is not JSON at all.");
  }
  const { format, version, programs } = (typeof raw === "object" && raw !== null ? raw : {}) as Record<string, unknown>;
  if (format !== PROGRAM_FORMAT)
    return refuse("This is no file of programs. Save one in the Programs room, and take that.");
  if (typeof version === "number" && version > PROGRAM_VERSION)
    return refuse("It was written by a newer Gentle Crock. Open it there, or update this one.");
  if (!Array.isArray(programs)) return refuse("This file says that it holds programs, and has none.");
  const found: ProgramsRead = { programs: [], refused: [] };
  const most = programFile.shape.programs
    .safeParse(programs.map(() => null))
    .error?.issues.find((i) => i.code === "too_big");
  if (most) return refuse(`There are ${programs.length} programs in it. 200 can be taken at once.`);
  for (const [i, entry] of (programs as unknown[]).entries()) {
    const parsed = programContents.safeParse(entry);
    if (parsed.success) {
      found.programs.push(parsed.data);
      continue;
    }
    const name = (entry as { name?: unknown } | null)?.name;
    const says =
      typeof name === "string" && name.trim() ? `\u201c${name.trim().slice(0, 60)}\u201d` : `Number ${i + 1}`;
    if (found.refused.length < SAID) found.refused.push(`${says}: ${placeProblem(problemOf(parsed.error.issues[0]!))}`);
  }
  return read(found);
}
