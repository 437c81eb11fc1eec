import { hasAirlock, vesselName } from "../chamber";
import {
  boxFit,
  fewerAiry,
  FILLED_MOST,
  fitRemedies,
  isAiry,
  isFlat,
  isPiece,
  isTray,
  type FitRemedy,
  type Short,
} from "../fit";
import type { Chamber, Edit, LoadedVessel } from "../model";
import { measures, printMeasure } from "../quantity";
import { memo } from "../trial";
import type { Case, Finding, Remedy, Rule } from "./types";

const long = (m: number) => printMeasure(Math.round(m * 1000) / 1000, measures.thickness, "metric");

/** A way to make it fit, as it is offered. */
export function fitLabel({ kind, amount, what }: FitRemedy, name: string): string {
  switch (kind) {
    case "turn":
      return "Let it find its place by itself";
    case "shelf":
      return "Take the shelf out";
    case "doorShelf":
      return "Take the shelves out of the door";
    case "thing":
      return `Take ${what ?? "it"} out, or move it`;
    case "collar":
      return `Put a collar of ${long(amount)} under the lid`;
    case "blowOff":
      return "A hose in the place of the airlock";
    case "smaller":
      return `A ${name} of ${printMeasure(amount, measures.volume, "metric")}`;
    case "fewer":
      return amount === 1 ? "Only one of them" : `Only ${amount} of them`;
  }
}

const missing = (c: Case, vessel: LoadedVessel, short: Short): string[] => {
  const { height, under, width, between, crowded } = short;
  const name = vesselName(vessel);
  if (isFlat(vessel)) return missingTrays(vessel, short);
  const usual = vessel.bodyHeight === 0 && vessel.bodyWidth === 0;
  return [
    height > 0
      ? `${vessel.above > 0 ? `With ${hasAirlock(vessel) ? "its airlock" : "what stands above it"} a` : "A"} ${name} of this volume is ${long(height)} too tall under ${under}.`
      : "",
    width > 0
      ? `It is ${long(width)} too wide${between === "opening" ? " for the opening" : ", with 2\u00a0cm of air around it"}.`
      : "",
    crowded && short.laid !== undefined
      ? `In rows ${short.laid} of ${vessel.count} find a place; set by hand, a few more may.`
      : "",
    crowded && short.laid === undefined
      ? `${vessel.count > 1 || c.chamber.vessels.length > 1 ? "One goes in by itself: beside the others there is no place" : "Where it stands it runs into something"}.`
      : "",
    !crowded && height === 0 && width === 0 ? "Something is in its way." : "",
    usual ? `Take the measures of your own: this is a usual ${name}.` : "",
  ].filter(Boolean);
};

/** The same of what lies flat. */
const missingTrays = (
  { count, bodyWidth }: LoadedVessel,
  { height, under, width, between, crowded, laid = 0 }: Short,
): string[] =>
  [
    crowded ? `Of ${count} trays ${laid} find a place, close together: for the rest there is no room.` : "",
    height > 0 ? `A tray is ${long(height)} too tall under ${under}.` : "",
    width > 0 ? `A tray is ${long(width)} too wide${between === "opening" ? " for the opening" : ""}.` : "",
    !crowded && height === 0 && width === 0 ? "Something is in the way of every tray." : "",
    bodyWidth > 0 ? "" : "Trays are taken as square and 3\u00a0cm deep: type what yours measure.",
  ].filter(Boolean);

/** Placing is a search, and every trial of the same box and vessels asks it again. */
const fitted = memo((of: Pick<Chamber, "cabinet" | "build" | "vessels">) => {
  const fit = boxFit(of);
  const close = fit.fits && !isAiry(fit) ? of.vessels.find(isTray) : undefined;
  const fewer = close ? fewerAiry(of) : null;
  return { fit, offered: fit.fits ? [] : fitRemedies(of), close, fewer };
});

/** What stands in the box does not go in, or not where it was put. */
export const doesNotFit: Rule = (c) => {
  const { chamber } = c;
  const { cabinet, build, vessels } = chamber;
  const {
    fit: { fits, shorts, filled, air },
    offered,
    close,
    fewer,
  } = fitted({ cabinet, build, vessels });
  if (close) return traysTooClose(close, air.over, fewer);
  if (fits) return null;
  const remedies = (vessel: LoadedVessel): Remedy[] =>
    offered.slice(0, 4).map((r) => ({ id: r.id, label: fitLabel(r, vesselName(vessel)), edits: r.edits }));
  const finding = (vessel: LoadedVessel, text: string): Finding => ({
    id: "does-not-fit",
    about: vessel.id,
    severity: "danger",
    station: "box",
    title:
      vessels.length > 1
        ? `Vessel ${vessels.indexOf(vessel) + 1} does not fit`
        : isFlat(vessel)
          ? `The ${vessel.form}s do not fit`
          : "The vessel does not fit",
    text,
    moment: null,
    remedies: remedies(vessel),
  });
  const stood = shorts.map((short) => {
    const vessel = vessels.find((v) => v.id === short.vessel)!;
    return finding(vessel, missing(c, vessel, short).join(" "));
  });
  const pieces = vessels.find(isPiece);
  if (!pieces || filled <= FILLED_MOST) return stood;
  return [
    ...stood,
    finding(pieces, "All of them together take more than two thirds of the room inside: air has to get around them."),
  ];
};

/** They go in, and air hardly gets around them. */
const traysTooClose = ({ id }: LoadedVessel, over: number, fewer: { id: string; count: number } | null): Finding => ({
  id: "trays-too-close",
  about: id,
  severity: "warning",
  station: "box",
  title: "The trays lie close together",
  text: `All of them go in with ${long(over)} over each, in place of 5\u00a0cm: what makes heat of its own gets warmer in the middle than in the trial, which lets air reach each of them.`,
  moment: null,
  remedies: fewer
    ? [
        {
          id: `airy-${fewer.id}-${fewer.count}`,
          label: fewer.count === 1 ? "Only one tray" : `Only ${fewer.count} trays`,
          edits: [{ section: "vessel", field: "count", id: fewer.id, value: fewer.count } as Edit],
        },
      ]
    : [],
});
