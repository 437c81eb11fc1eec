import { boxes, cools, describe as described, hasOwnAir, insideOf, ofTheKind, tryEdits } from "../chamber";
import { boxFit } from "../fit";
import { sizedFor, TOO_LARGE } from "../foam";
import { applyEdits, type CabinetKind, type Chamber, type ChamberRecord, type Edit } from "../model";
import { celsius } from "../quantity";

/** Another way to do the same: a chamber, and how many of it there have to be. */
export interface Alternative {
  id: string;
  label: string;
  record: ChamberRecord;
  times: number;
  /** What stands in each does not go in. */
  fits: boolean;
  /** Vessels in each, and in all of them. */
  each: number;
  all: number;
  /** Ground that all of them stand on, m², and what they take up, m³. */
  ground: number;
  outside: number;
  /** How many temperatures can be held at once. */
  temperatures: number;
  /** Vessels that are lost to one failure. */
  together: number;
}

const countOf = (chamber: Chamber): number => chamber.vessels.reduce((all, v) => all + v.count, 0);

function alternative(id: string, label: string, record: ChamberRecord, times: number, all?: number): Alternative {
  const chamber = described(record);
  const { cabinet } = chamber;
  const each = countOf(chamber);
  return {
    id,
    label,
    record: { ...record, id: `${record.id.slice(0, 40)}-${id}` },
    times,
    fits: insideOf(cabinet).volume > 0 && boxFit(chamber).fits,
    each,
    all: all ?? each * times,
    ground: times * cabinet.width * cabinet.depth,
    outside: times * cabinet.width * cabinet.depth * (cabinet.height + cabinet.collar),
    temperatures: times,
    together: Math.max(1, each),
  };
}

/** The boxes that are held against each other: a fridge, a freezer, foam. */
const kinds: readonly CabinetKind[] = ["upright", "chest", "foam"];

/** A way that cannot be, and why. */
export interface LeftOut {
  label: string;
  why: string;
}

/** The same load in another kind of box, with the devices that are usual there. */
export function otherBoxes(record: ChamberRecord): (Alternative | LeftOut)[] {
  const chamber = described(record);
  const { cabinet } = chamber;
  if (!hasOwnAir(cabinet.kind)) return [];
  const cooled = chamber.coolers.some(cools);
  return kinds
    .filter((kind) => kind !== cabinet.kind)
    .map((kind): Alternative | LeftOut => {
      const label = kind === "foam" ? "Box of foam, made to fit" : boxes[kind].label;
      // What is usual in another box goes with its kind: the load stays what it is.
      const load = chamber.vessels.flatMap((v) =>
        (["form", "volume", "filling", "wall", "count"] as const).map(
          (field) => ({ section: "vessel", field, id: v.id, value: v[field] }) as Edit,
        ),
      );
      const changed = tryEdits(record, [
        ...ofTheKind(chamber),
        ...load,
        { section: "cabinet", field: "kind", value: kind },
        // Foam has no cold of its own: a plate in its place.
        ...(kind === "foam" && cooled
          ? chamber.coolers
              .slice(0, 1)
              .map((c): Edit => ({ section: "cooler", field: "kind", id: c.id, value: "peltier" }))
          : []),
        // Where things stand was said of another room.
        ...chamber.vessels.map((v): Edit => ({ section: "vessel", field: "spots", id: v.id, value: undefined })),
        { section: "build", field: "shelfAt", value: undefined },
      ]);
      // Foam is cut to what stands in it.
      const made =
        kind === "foam" && changed.ok ? tryEdits(changed.value, sizedFor(described(changed.value))) : changed;
      if (made.ok) return alternative(kind, label, made.value, 1);
      return { label, why: changed.ok ? TOO_LARGE : made.problem };
    });
}

/** Sizes that a smaller box is tried in, as a share of the present one's measures. */
const SHARES = [0.5, 0.55, 0.6, 0.65, 0.7, 0.75, 0.8, 0.85, 0.9, 0.95, 1] as const;

/**
 * Two small boxes in the place of one: each with half of what stands in it, in the least box of the same kind and build
 * that takes that. Null where there is one vessel: nothing can be shared out.
 */
export function twoSmall(record: ChamberRecord): Alternative | null {
  const chamber = described(record);
  const all = countOf(chamber);
  if (!hasOwnAir(chamber.cabinet.kind) || all < 2) return null;
  const halved = halfOf(record, chamber);
  const { height, width, depth } = chamber.cabinet;
  for (const share of SHARES) {
    const smaller = tryEdits(halved, [
      { section: "cabinet", field: "width", value: width * Math.max(share, 0.7) },
      { section: "cabinet", field: "depth", value: depth * Math.max(share, 0.7) },
      { section: "cabinet", field: "height", value: height * share },
      // A smaller box takes less: its devices are those that are usual for it.
      ...chamber.heaters.map((h): Edit => ({ section: "heater", field: "power", id: h.id, value: undefined })),
      ...chamber.coolers.map((c): Edit => ({ section: "cooler", field: "power", id: c.id, value: undefined })),
    ]);
    // So small a box of that kind there is not.
    if (!smaller.ok) continue;
    const made = alternative("two", "Two small ones", smaller.value, 2, all);
    if (made.fits) return made;
  }
  return null;
}

/** One half of what stands in a chamber, the larger one where it does not come out even. */
function halfOf(record: ChamberRecord, chamber: Chamber): ChamberRecord {
  const edits = chamber.vessels.flatMap((v): Edit[] => [
    { section: "vessel", field: "spots", id: v.id, value: undefined },
    ...(v.count > 1 ? [{ section: "vessel", field: "count", id: v.id, value: Math.ceil(v.count / 2) } as Edit] : []),
  ]);
  return applyEdits(record, edits);
}

export const asItIs = (record: ChamberRecord): Alternative => alternative("now", "As it is", record, 1);

/** One large or two small, fridge or freezer or foam, side by side with what there is; and which of them cannot be. */
export function alternatives(record: ChamberRecord): { ways: Alternative[]; leftOut: LeftOut[] } {
  const two = twoSmall(record);
  const others = otherBoxes(record);
  return {
    ways: [asItIs(record), ...(two ? [two] : []), ...others.filter((o) => "record" in o)],
    leftOut: others.filter((o) => "why" in o),
  };
}

/** A time of the year, with the share of it. */
export interface Season {
  id: "winter" | "between" | "summer";
  label: string;
  share: number;
  record: ChamberRecord;
}

/** The chamber in winter, in spring and autumn, in summer: its room shifted by what is said of it. */
export function seasonsIn(record: ChamberRecord): Season[] {
  const { room } = described(record);
  const shifted = (t: number, by: number) => celsius(Math.min(60, Math.max(-40, t + by)));
  const at = (id: Season["id"], label: string, share: number, by: number): Season => ({
    id,
    label,
    share,
    record: {
      ...applyEdits(record, [
        { section: "room", field: "low", value: shifted(room.low, by) },
        { section: "room", field: "high", value: shifted(room.high, by) },
      ]),
      id: `${record.id.slice(0, 40)}-${id}`,
      // A year is no recorded week, and a mishap no season.
      roomReadings: null,
      roomSeries: null,
      happenings: [],
    },
  });
  return [
    at("winter", "Winter", 0.25, room.winter),
    at("between", "Spring and autumn", 0.5, 0),
    at("summer", "Summer", 0.25, room.summer),
  ];
}
