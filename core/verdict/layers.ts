import { AIR, vesselSize } from "../chamber";
import type { CabinetKind, Edit } from "../model";
import { freezingPoint, hasOwnHeat } from "../product";
import type { Case, Finding, Rule } from "./types";
import { words } from "./words";

/** Boxes of some height whose still air lies in layers. */
const layered: readonly CabinetKind[] = ["upright", "chest", "fridgeFreezer", "wine", "warmBox"];
/** Between the top and the bottom of such a box, and of a tall vessel at rest, K (common practice, no source). */
const SPREAD = [2, 4] as const;
/** A liquid that stands taller than this, and is more than this, lies in layers too, m and m³. */
const [TALL, MUCH] = [0.3, 0.01];
/** Within a band no wider than this, half of the spread decides, K. */
const NARROW = 3;
/** What freezes at the bottom is ice on the wall at first. */
const NEAR = 0.5;

const fan = (): Edit => ({ section: "cabinet", field: "fan", value: true });

/** Contents that nothing stirs: a liquid without heat of its own. What ferments rolls over by itself. */
const atRest = ({ vessel }: Case): boolean =>
  vessel.filling === "water" &&
  vessel.volume >= MUCH &&
  vesselSize(vessel).height >= TALL &&
  !hasOwnHeat(vessel.product);

/**
 * The trial takes air and contents as well mixed. In still air they are not: said where half of the difference would
 * change what one does.
 */
export const liesInLayers: Rule = (c) => {
  const { chamber, metrics, band } = c;
  if (!layered.includes(chamber.cabinet.kind) || chamber.cabinet.fan || chamber.fans.length > 0) return null;
  const ofAir = metrics.judged === AIR;
  const { at, by, theJudged } = words(c);
  const [least, most] = SPREAD;
  const spread = `In still air the top of such a box and its bottom, and of a tall vessel at rest, differ by ${by(least)} to ${by(most)} (estimate); the trial knows only their mean, and a probe at mid-height shows it.`;
  const finding = (severity: Finding["severity"], title: string, text: string): Finding => ({
    id: "lies-in-layers",
    severity,
    station: "box",
    title,
    text: `${spread} ${text}`,
    moment: null,
    remedies: [{ id: "fan", label: "Put a small fan in: it stirs the air from top to bottom", edits: [fan()] }],
  });
  const point = freezingPoint(c.vessel.product);
  const coldest = metrics.whole.product.low;
  if (!ofAir && c.vessel.filling === "water" && coldest > point + 1 && coldest - most / 2 <= point + NEAR)
    return finding(
      "warning",
      "Its coldest layer may freeze",
      `Here ${theJudged} goes down to ${at(coldest)} on the whole: its coldest layer may then be at ${at(coldest - most / 2)}, and it begins to freeze at about ${at(point)}.`,
    );
  if (band.high - band.low > NARROW || !(ofAir || atRest(c))) return null;
  return finding(
    "note",
    "It lies in layers",
    `Of a band of ${by(band.high - band.low)} that is a good part: look at it near the top and near the bottom once, with a second probe.`,
  );
};
