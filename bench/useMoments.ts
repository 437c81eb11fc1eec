import { useMemo } from "react";
import { localSeconds } from "@/core/program";
import { printMoment } from "@/core/quantity";
import type { Trial } from "@/core/trial";
import { useChamber } from "./context";

const dates = new Intl.DateTimeFormat(undefined, {
  weekday: "short",
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
  timeZone: "UTC",
});

/** A local moment, s since 1970 as if it stood in UTC, as the reader's language writes it. */
export const sayDate = (seconds: number): string => dates.format(seconds * 1000);

/** The same of a program that begins at a local moment (empty: unknown), or at an hour of some day. */
export function momentsOf(startsAt: string, startHour: number): (at: number) => string {
  const begins = startsAt ? localSeconds(startsAt) : null;
  return (at) => (begins === null ? printMoment(at, startHour) : sayDate(begins + at));
}

const days = new Intl.DateTimeFormat(undefined, { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" });

/** The day of a moment of a trial alone: what is known no better needs no clock. */
export function useDays({ startHour }: Pick<Trial, "startHour">): (at: number) => string {
  const { startsAt } = useChamber().chamber.program;
  return useMemo(() => {
    const begins = startsAt ? localSeconds(startsAt) : null;
    return (at) =>
      begins === null ? `day ${Math.floor(at / 86_400 + startHour / 24) + 1}` : days.format((begins + at) * 1000);
  }, [startsAt, startHour]);
}

/** How a moment of a trial is written: by its date once a beginning is known, by day and hour before. */
export function useMoments({ startHour }: Pick<Trial, "startHour">): (at: number) => string {
  const { startsAt } = useChamber().chamber.program;
  return useMemo(() => momentsOf(startsAt, startHour), [startsAt, startHour]);
}
