import { fitOf } from "../chamber";
import { displayError, offsetFor } from "../probe";
import { freezingPoint } from "../product";
import { measures, printMeasure } from "../quantity";
import type { Rule } from "./types";
import { fromTo, words } from "./words";

/** The band asks for more than the culture's packet allows. */
export const outsidePacket: Rule = (c) => {
  const { product } = c.plan.chamber.vessels[0]!;
  const stage = c.plan.chamber.stages[0]!;
  if (product.kind === "hold") return null;
  const over = stage.high - product.packetHigh;
  const under = product.packetLow - stage.low;
  if (Math.max(over, under) <= 0.05) return null;
  const { at, by } = words(c);
  return {
    id: "outside-packet",
    severity: "warning",
    station: "job",
    title: over > under ? "Warmer than the packet allows" : "Colder than the packet allows",
    text: `The packet says ${fromTo(product.packetLow, product.packetHigh, c.scale)}; you allow ${at(stage.low)} to ${at(stage.high)}, ${by(Math.max(over, under))} past it. ${over > under ? "Warm edges bring off-flavours." : "At the cold edge the culture slows and may stop."}`,
    moment: null,
    remedies: [
      {
        id: "packet-band",
        label: "Keep the band inside the packet\u2019s range",
        edits: [
          { section: "stage", field: "low", value: undefined },
          { section: "stage", field: "high", value: undefined },
        ],
      },
    ],
  };
};

/** The beer comes within a degree of where it begins to freeze. */
export const nearFreezing: Rule = (c) => {
  const { product } = c.plan.chamber.vessels[0]!;
  const point = freezingPoint(product);
  const coldest = c.trial.metrics.whole.product;
  if (coldest.low > point + 1) return null;
  const { at, when } = words(c);
  return {
    id: "near-freezing",
    severity: coldest.low <= point ? "danger" : "warning",
    station: "settings",
    title: "It may freeze",
    text: `The product goes down to ${at(coldest.low)} (${when(coldest.lowAt)}); it begins to freeze at about ${at(point)}, give or take a degree.`,
    moment: coldest.lowAt,
    remedies: [],
  };
};

/** The vessel does not go into the cabinet. */
export const doesNotFit: Rule = (c) => {
  const { chamber } = c.plan;
  const fit = fitOf(chamber.cabinet, chamber.vessels[0]!);
  if (fit.fits) return null;
  const length = (m: number) => printMeasure(Math.round(-m * 100) / 100, measures.length, "metric");
  return {
    id: "does-not-fit",
    severity: "danger",
    station: "box",
    title: "The vessel does not fit",
    text: [
      fit.spareHeight < 0 ? `With its airlock a bucket of this volume is ${length(fit.spareHeight)} too tall.` : "",
      fit.spareWidth < 0 ? `It is ${length(fit.spareWidth)} too wide, with 2\u00a0cm of air around it.` : "",
      "Take the measures of your own vessel: this is a usual bucket.",
    ]
      .filter(Boolean)
      .join(" "),
    moment: null,
    remedies: [],
  };
};

/** One chamber is asked for two temperatures. */
export const twoTemperatures: Rule = (c) => {
  const stage = c.plan.chamber.stages[0]!;
  const other = c.plan.chamber.vessels.findIndex(
    ({ product }, i) =>
      i > 0 && product.kind !== "hold" && (product.packetLow > stage.high || product.packetHigh < stage.low),
  );
  if (other < 0) return null;
  const { product } = c.plan.chamber.vessels[other]!;
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

/** What is known of the probe's error is not in the offset, or an offset stands there without a reason. */
export const offsetWrong: Rule = (c) => {
  const probe = c.plan.chamber.probes[0]!;
  if (probe.error === 0) return null; // offsetHides speaks of that
  const left = displayError(probe, c.plan.settings);
  if (Math.abs(left) < 0.25) return null;
  const { by } = words(c);
  return {
    id: "offset-wrong",
    severity: Math.abs(left) >= 1 ? "danger" : "warning",
    station: "probe",
    title: "The display is off from the truth",
    text: `With a probe that shows ${by(Math.abs(probe.error))} too ${probe.error >= 0 ? "high" : "low"} and an offset of ${by(c.plan.settings.offset)}, the display stands ${by(Math.abs(left))} too ${left > 0 ? "high" : "low"}, and all switching with it. The offset is true minus shown.`,
    moment: null,
    remedies: [
      {
        id: "true-offset",
        label: `Set the offset to ${by(offsetFor(probe))}`,
        edits: [{ section: "settings", field: "offset", value: undefined }],
      },
    ],
  };
};
