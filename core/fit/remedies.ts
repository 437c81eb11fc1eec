import type { Chamber, Edit, LoadedVessel } from "../model";
import { boxFit, isAiry, isFlat, isTray, type Short } from "./fit";
import { flatSize, mostLaid } from "./flat";
import { spaceOf } from "./space";
import { thingNames } from "./things";

/** A way to make it fit; each was tried. */
export interface FitRemedy {
  id: string;
  /** What it takes, m or m³, for the sentence that the screen makes. */
  kind: "turn" | "shelf" | "doorShelf" | "thing" | "collar" | "blowOff" | "smaller" | "fewer";
  amount: number;
  /** What is in the way, where it is that which gives way. */
  what?: string;
  edits: Edit[];
}

/** Boards that collars are made of: common planed heights, m (common practice, no source). */
const COLLARS = [0.045, 0.07, 0.089, 0.12, 0.14, 0.184, 0.235, 0.286];
/** Volumes that vessels are sold in, m³. */
const VOLUMES = [0.005, 0.01, 0.012, 0.015, 0.019, 0.02, 0.023, 0.025, 0.03, 0.035, 0.06, 0.12];
/** A remedy is searched for less closely than what stands: many are tried. */
const LOOKS = 600;
/** A hose in the place of an airlock, bent over the lid, m. */
const HOSE = 0.05;

type Fitted = Pick<Chamber, "cabinet" | "build" | "vessels">;

/** The same chamber with other measures. */
const withEdits = (chamber: Fitted, edits: readonly Edit[]): Fitted =>
  edits.reduce((c, { section, field, id, value }): Fitted => {
    if (section === "vessel")
      return { ...c, vessels: c.vessels.map((v) => (v.id === id ? { ...v, [field]: value } : v)) };
    return section === "build" || section === "cabinet" ? { ...c, [section]: { ...c[section], [field]: value } } : c;
  }, chamber);

/** The largest number up to a most with which something holds that holds for all smaller ones too; 0: for none. */
function largest(most: number, holds: (n: number) => boolean): number {
  if (most < 1 || holds(most)) return Math.max(0, most);
  let [good, bad] = [0, most];
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (holds(middle)) good = middle;
    else bad = middle;
  }
  return good;
}

/** Fewer trays of one kind, so that all lie with the air that they want; tried. */
export function fewerAiry(chamber: Fitted): { id: string; count: number } | null {
  const space = spaceOf(chamber);
  for (const v of chamber.vessels.filter(isTray)) {
    // Beside others fewer of them lie than by themselves.
    const most = Math.min(v.count - 1, mostLaid(space, flatSize(v)).all);
    const airy = (value: number) =>
      isAiry(boxFit(withEdits(chamber, [{ section: "vessel", field: "count", value, id: v.id } as Edit]), LOOKS));
    const count = largest(most, airy);
    if (count > 0) return { id: v.id, count };
  }
  return null;
}

/** What would make everything fit, the least change first; only what does when it is tried. */
export function fitRemedies(chamber: Fitted): FitRemedy[] {
  const now = boxFit(chamber);
  if (now.fits) return [];
  const { cabinet, build, vessels } = chamber;
  const asked: FitRemedy[] = [];
  const of = (short: Short) => vessels.find((v) => v.id === short.vessel)!;
  const set = (section: "build" | "cabinet" | "vessel", field: string, value: unknown, id?: string): Edit =>
    ({ section, field, value, ...(id ? { id } : {}) }) as Edit;
  const without = (v: LoadedVessel): Edit => set("vessel", "spots", [], v.id);
  const fits = (edits: readonly Edit[]) => boxFit(withEdits(chamber, edits), LOOKS).fits;
  const moved = vessels.filter((v) => v.spots.length > 0);
  if (moved.length > 0) asked.push({ id: "turn", kind: "turn", amount: 0, edits: moved.map(without) });
  if (build.shelfAt > 0) asked.push({ id: "shelf", kind: "shelf", amount: 0, edits: [set("build", "shelfAt", 0)] });
  if (build.doorShelf > 0)
    asked.push({ id: "doorShelf", kind: "doorShelf", amount: 0, edits: [set("build", "doorShelf", 0)] });
  build.things.forEach(({ kind }, i) =>
    asked.push({
      id: `thing-${i}`,
      kind: "thing",
      amount: i,
      what: thingNames[kind],
      edits: [
        set(
          "build",
          "things",
          build.things.filter((_, k) => k !== i),
        ),
      ],
    }),
  );
  const tall = now.shorts.filter((s) => s.height > 0);
  const hoses = tall.map(of).filter((v) => v.above > HOSE);
  if (hoses.length > 0)
    asked.push({
      id: "blowOff",
      kind: "blowOff",
      amount: HOSE,
      edits: hoses.map((v) => set("vessel", "above", HOSE, v.id)),
    });
  if (cabinet.kind === "chest" && tall.length > 0) {
    const missing = Math.max(...tall.map((s) => s.height));
    for (const board of COLLARS.filter((b) => b >= missing).slice(0, 2))
      asked.push({
        id: `collar${Math.round(board * 1000)}`,
        kind: "collar",
        amount: board,
        edits: [set("cabinet", "collar", cabinet.collar + board)],
      });
  }
  for (const short of now.shorts) {
    const v = of(short);
    const most = Math.min(v.count - 1, short.laid ?? v.count);
    const fewer = (count: number) => [set("vessel", "count", count, v.id), without(v)];
    const count = largest(most, (n) => fits(fewer(n)));
    if (count > 0) asked.push({ id: `fewer-${v.id}-${count}`, kind: "fewer", amount: count, edits: fewer(count) });
    if (isFlat(v)) continue;
    // A smaller one is as its volume has it, whatever was measured on this one.
    const sold = VOLUMES.filter((one) => one < v.volume - 1e-6);
    const smaller = (volume: number) => [
      set("vessel", "volume", volume, v.id),
      set("vessel", "bodyHeight", 0, v.id),
      set("vessel", "bodyWidth", 0, v.id),
      without(v),
    ];
    const volume = sold[largest(sold.length, (n) => fits(smaller(sold[n - 1]!))) - 1];
    if (volume)
      asked.push({ id: `smaller-${v.id}-${volume}`, kind: "smaller", amount: volume, edits: smaller(volume) });
  }
  const seen = new Set<FitRemedy["kind"]>();
  return asked.filter((remedy) => {
    // Of several of one kind the first that does is the mildest.
    if (seen.has(remedy.kind)) return false;
    if (!fits(remedy.edits)) return false;
    seen.add(remedy.kind);
    return true;
  });
}
