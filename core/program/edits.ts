import type { Edit, Named, Program, Stage, StageEnd } from "../model";
import { celsius, kelvins } from "../quantity";
import { localSeconds } from "./attendance";

/** A moment as seconds since 1970 as if it stood in UTC, written as the local moment that it is; to the minute. */
export const localMoment = (seconds: number): string =>
  new Date(Math.round(seconds / 60) * 60_000).toISOString().slice(0, 16);

/**
 * Edits by which a stage that begins at a moment ends at another: a time or a date that ends it is moved; one that waits
 * for a figure, or for a person, ends there at the latest; one that never ended ends there.
 * @param from its beginning, and `to` its new end, s from the start of the program
 */
export function endsAt(
  { id, ends }: Named<Stage>,
  from: number,
  to: number,
  { startsAt }: Pick<Program, "startsAt">,
): Edit[] {
  const seconds = Math.max(0, to - from);
  const put = (value: StageEnd[]): Edit => ({ section: "stage", field: "ends", id, value });
  const timed = ends.findIndex((e) => e.kind === "after" || (e.kind === "date" && startsAt !== ""));
  if (timed >= 0) {
    const moved: StageEnd =
      ends[timed]!.kind === "after"
        ? { kind: "after", seconds }
        : { kind: "date", at: localMoment(localSeconds(startsAt) + to) };
    return [put(ends.map((e, i) => (i === timed ? moved : e)))];
  }
  if (ends.length === 0) return [put([{ kind: "after", seconds }])];
  return [{ section: "stage", field: "latest", id, value: seconds }];
}

/** Edits that give a stage another band, °C; what is typed into its units is worked out anew. */
export const bandEdits = (controllers: readonly { id: string }[], stage: string, low: number, high: number): Edit[] => [
  { section: "stage", field: "low", id: stage, value: celsius(low) },
  { section: "stage", field: "high", id: stage, value: celsius(high) },
  { section: "stage", field: "target", id: stage, value: undefined },
  ...controllers.flatMap(({ id }): Edit[] => [
    { section: "settings", field: "setpoint", id, stage, value: undefined },
    { section: "settings", field: "heatingDifferential", id, stage, value: undefined },
    { section: "settings", field: "coolingDifferential", id, stage, value: undefined },
  ]),
];

/**
 * Edits by which the way to a stage is gone in as few steps as its band allows: each as high as the band, so that the
 * product stays within half of it of the even way; as quick over all as it was.
 */
export function fewestSteps({ id, low, high, rampBy, rampEvery }: Named<Stage>): Edit[] {
  const by = high - low;
  if (rampBy <= 0 || rampBy >= by) return [];
  return [
    { section: "stage", field: "rampBy", id, value: kelvins(by) },
    { section: "stage", field: "rampEvery", id, value: Math.min(30 * 86_400, (rampEvery * by) / rampBy) },
  ];
}

/** Edits by which a program begins at another moment: days away stay on their dates, and those before it are past. */
export function beginsAt({ startsAt, away }: Pick<Program, "startsAt" | "away">, next: string): Edit[] {
  const begins: Edit = { section: "program", field: "startsAt", value: next };
  if (!startsAt || !next || away.length === 0) return [begins];
  const by = localSeconds(startsAt) - localSeconds(next);
  const moved = away
    .map(({ from, to }) => ({ from: Math.max(0, from + by), to: to + by }))
    .filter(({ from, to }) => to > from);
  return [begins, { section: "program", field: "away", value: moved }];
}
