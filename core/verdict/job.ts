import { AIR } from "../chamber";
import { parametersOf } from "../controller";
import type { Edit } from "../model";
import { displayError, offsetFor } from "../probe";
import { freezingPoint, modelOf } from "../product";
import { atFirst } from "../quantity";
import type { Case, Rule } from "./types";
import { fromTo, words } from "./words";

/** From this share on a culture has done its work: cold no longer harms it; and warmth none from when a rest may begin. */
export const NEARLY_DONE = 0.9;
const RESTS_FROM = 0.7;

/** How far a vessel's product had come as the stage began. */
const progressOf = ({ chamber, result }: Case, id: string): number =>
  result.progress[chamber.vessels.findIndex((v) => v.id === id)] ?? 0;

/** Whatever is keyed in for a stage gives way to what is advised. */
const advisedAgain = ({ chamber, stage }: Case): Edit[] =>
  chamber.controllers.flatMap(({ id, unit }) =>
    parametersOf(unit).map(
      (field): Edit => ({ section: "settings", field, id, stage: stage.id, value: undefined }) as Edit,
    ),
  );

/** The band asks for more than the culture's packet allows. */
export const outsidePacket: Rule = (c) => {
  const { vessel, band, metrics } = c;
  const range = modelOf(vessel.product).range(vessel.product);
  if (!range) return null;
  const progress = progressOf(c, vessel.id);
  const over = progress >= RESTS_FROM ? 0 : band.high - range.high;
  const under = progress >= NEARLY_DONE ? 0 : range.low - band.low;
  if (Math.max(over, under) <= 0.05) return null;
  const { at, by } = words(c);
  const own = vessel.band !== null && metrics.judged !== AIR;
  const where = own ? ({ section: "band", id: vessel.id } as const) : ({ section: "stage", id: c.stage.id } as const);
  const first = c.chamber.stages[0]!.id === c.stage.id;
  const edits: Edit[] =
    own || first
      ? [
          { ...where, field: "low", value: undefined },
          { ...where, field: "high", value: undefined },
        ]
      : [
          { ...where, field: "low", value: range.low },
          { ...where, field: "high", value: range.high },
        ];
  return {
    id: "outside-packet",
    severity: "warning",
    station: "job",
    title: over > under ? "Warmer than the packet allows" : "Colder than the packet allows",
    text: `The packet says ${fromTo(range.low, range.high, c.scale)}; you allow ${at(band.low)} to ${at(band.high)}, ${by(Math.max(over, under))} past it. ${over > under ? "Warm edges bring off-flavours." : "At the cold edge the culture slows and may stop."}`,
    moment: null,
    remedies: [
      { id: "packet-band", label: "Keep the band inside the packet\u2019s range", edits },
      {
        id: "packet-settings",
        label: "Keep the band inside the packet\u2019s range, with the settings that go with it",
        edits: [...edits, ...advisedAgain(c)],
      },
    ],
  };
};

/** A product comes within a degree of where it begins to freeze. */
export const nearFreezing: Rule = (c) => {
  if (c.metrics.judged === AIR) return null;
  const point = freezingPoint(c.vessel.product);
  const coldest = c.metrics.whole.product;
  if (coldest.low > point + 1) return null;
  const { at, when, theJudged } = words(c);
  return {
    id: "near-freezing",
    severity: coldest.low <= point ? "danger" : "warning",
    station: "settings",
    title: "It may freeze",
    text: `${atFirst(theJudged)} goes down to ${at(coldest.low)} (${when(coldest.lowAt)}); it begins to freeze at about ${at(point)}, give or take a degree.`,
    moment: coldest.lowAt,
    remedies: [],
  };
};

/** One chamber is asked for two temperatures. */
export const twoTemperatures: Rule = (c) => {
  if (c.stage.of === "air") return null;
  const { stage } = c;
  const other = c.chamber.vessels.findIndex((v, i) => {
    const range = modelOf(v.product).range(v.product);
    if (i === 0 || !range || v.band || progressOf(c, v.id) >= NEARLY_DONE) return false;
    return range.low > stage.high || range.high < stage.low;
  });
  if (other < 0) return null;
  const { product } = c.chamber.vessels[other]!;
  return {
    id: "two-temperatures",
    severity: "warning",
    station: "job",
    title: "One chamber is asked for two temperatures",
    text: `The band is ${fromTo(stage.low, stage.high, c.scale)}; vessel ${other + 1} wants ${fromTo(product.packetLow, product.packetHigh, c.scale)} by its packet. One box holds one temperature: two small boxes beat a large one.`,
    moment: null,
    remedies: [],
  };
};

/** What is known of a probe's error is not in the offset of the unit that reads it. */
export const offsetWrong: Rule = (c) => {
  const { probe, control, controller, unit } = c;
  if (probe.error === 0 || unit.offsetLimit === 0) return null; // offsetHides speaks of that
  const left = displayError(probe, control.settings);
  if (Math.abs(left) < 0.25) return null;
  const { by } = words(c);
  return {
    id: "offset-wrong",
    severity: Math.abs(left) >= 1 ? "danger" : "warning",
    station: "probe",
    title: "The display is off from the truth",
    text: `With a probe that shows ${by(Math.abs(probe.error))} too ${probe.error >= 0 ? "high" : "low"} and an offset of ${by(control.settings.offset)}, the display stands ${by(Math.abs(left))} too ${left > 0 ? "high" : "low"}, and all switching with it. The offset is true minus shown.`,
    moment: null,
    remedies: [
      {
        id: "true-offset",
        label: `Set the offset to ${by(offsetFor(probe))}`,
        edits: c.plan.stages.map(({ id }) => ({
          section: "settings",
          field: "offset",
          id: controller.id,
          stage: id,
          value: undefined,
        })),
      },
    ],
  };
};

/** Vessels in one air want bands that no one temperature satisfies. */
export const bandsApart: Rule = (c) => {
  const wants = c.chamber.vessels.map((v) => ({ id: v.id, band: v.band ?? c.stage }));
  const touched = (id: string) =>
    [...c.chamber.heaters, ...c.chamber.coolers].some((d) => d.at === id && d.toVessel > 0);
  for (let a = 0; a < wants.length; a++)
    for (let b = a + 1; b < wants.length; b++) {
      const [one, two] = [wants[a]!, wants[b]!];
      if (one.band.low <= two.band.high && two.band.low <= one.band.high) continue;
      // A belt or a plate of its own keeps one apart from the air around it.
      if (touched(one.id) || touched(two.id)) continue;
      return {
        id: "bands-apart",
        about: two.id,
        severity: "warning",
        station: "job",
        title: "Two vessels want bands that do not meet",
        text: `Vessel ${a + 1} is to stay at ${fromTo(one.band.low, one.band.high, c.scale)}, vessel ${b + 1} at ${fromTo(two.band.low, two.band.high, c.scale)}, and both stand in one air. A heater that touches one of them can hold it warmer; nothing holds them apart otherwise.`,
        moment: null,
        remedies: [],
      };
    }
  return null;
};
