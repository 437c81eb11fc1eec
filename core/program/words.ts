import type { Chamber, Observable, StageEnd } from "../model";
import { modelOf, printFigure } from "../product";
import { celsius, printClock, printDuration, printNumber, printTemperature, type Scale } from "../quantity";

/** The name of a stage, or its number. */
export const stageName = (stages: readonly { id: string; name: string }[], id: string): string => {
  const at = stages.findIndex((s) => s.id === id);
  return stages[at]?.name || `Stage ${at + 1}`;
};

/** The name of a vessel where there are several: by its number. */
export const vesselName = ({ vessels }: Pick<Chamber, "vessels">, id: string): string =>
  vessels.length > 1 ? `vessel ${vessels.findIndex((v) => v.id === id) + 1}` : "the product";

/** A controller as its owner calls it, or by its number. */
export const controllerName = ({ controllers }: Pick<Chamber, "controllers">, id: string): string => {
  const at = controllers.findIndex((c) => c.id === id);
  return controllers[at]?.unit.name || (controllers.length > 1 ? `unit ${at + 1}` : "the unit");
};

/** A figure that any of the vessels has. */
const figureOf = ({ vessels }: Chamber, name: string) =>
  vessels.flatMap(({ product }) => modelOf(product).observables).find((o) => o.name === name);

function sayObserved({ of, id, name }: Observable, chamber: Chamber): string {
  if (of === "air" || of === "room") return `the ${of}`;
  if (of === "probe") return `probe ${chamber.probes.findIndex((p) => p.id === id) + 1}`;
  if (of === "controller") return `the display of ${controllerName(chamber, id)}`;
  if (of === "vessels") {
    const label = figureOf(chamber, name)?.label;
    return label ? `the ${label} of every vessel` : "every vessel";
  }
  const vessel = chamber.vessels.find((v) => v.id === id);
  const known = vessel && modelOf(vessel.product).observables.find((o) => o.name === name);
  if (!known) return vesselName(chamber, id);
  return chamber.vessels.length > 1 ? `the ${known.label} of ${vesselName(chamber, id)}` : `the ${known.label}`;
}

function sayValue({ of, id, name }: Observable, value: number, chamber: Chamber, scale: Scale): string {
  if (name === "temperature") return printTemperature(celsius(value), scale);
  const vessel = of === "vessel" ? chamber.vessels.find((v) => v.id === id) : undefined;
  const known =
    of === "vessels"
      ? figureOf(chamber, name)
      : vessel && modelOf(vessel.product).observables.find((o) => o.name === name);
  return known ? printFigure(value, known.unit, scale) : printNumber(value, 0.001);
}

/** One end of a stage in words: "until …". */
export function sayEnd(end: StageEnd, chamber: Chamber, scale: Scale): string {
  switch (end.kind) {
    case "after":
      return `for ${printDuration(end.seconds)}`;
    case "clock":
      return `until ${printClock(end.hour)}`;
    case "date":
      return `until ${end.at.replace("T", ", ")}`;
    case "confirmed":
      return end.after > 0
        ? `until somebody says so, after ${printDuration(end.after)} at the earliest`
        : "until somebody says so";
    case "reaches": {
      const side = end.comparison === "atLeast" ? "or more" : "or less";
      const held = end.heldFor > 0 ? ` for ${printDuration(end.heldFor)}` : "";
      return `until ${sayObserved(end.observable, chamber)} is at ${sayValue(end.observable, end.value, chamber, scale)} ${side}${held}`;
    }
  }
}

/** How a stage ends, in words; one without an end goes on. */
export function sayEnds(stage: { ends: readonly StageEnd[]; latest: number }, chamber: Chamber, scale: Scale): string {
  const ends = stage.ends.map((end) => sayEnd(end, chamber, scale));
  const latest = stage.latest > 0 ? `${ends.length ? ", " : ""}for ${printDuration(stage.latest)} at the most` : "";
  return ends.length || latest ? `${ends.join(", or ")}${latest}` : "to the end";
}
