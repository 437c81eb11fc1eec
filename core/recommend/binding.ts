import { describe } from "../chamber";
import type { ChamberRecord, ProbePlace } from "../model";
import { placeLabel } from "../probe";
import { celsius, kelvins, printDifference, printTemperature } from "../quantity";
import { MOST_REVERSALS, MOST_STARTS } from "./score";
import type { Recommendation, RecommendOptions, TradePoint } from "./types";

/** Why nothing satisfies: the season and the end of the band that bind, and what would free it. */
export function bindingOf(
  record: ChamberRecord,
  nearest: TradePoint,
  options: RecommendOptions,
): NonNullable<Recommendation["binding"]> {
  const chamber = describe(record);
  const stage = chamber.stages[0]!;
  const { seasons } = nearest.score;
  const worst = [...seasons].sort(
    (a, b) => Math.max(b.high - stage.high, stage.low - b.low) - Math.max(a.high - stage.high, stage.low - a.low),
  )[0]!;
  const over = worst.high - stage.high;
  const under = stage.low - worst.low;
  const warm = over >= under;
  const by = Math.max(over, under);
  const words = {
    coldest: "the coldest room",
    mild: "a mild room with the product\u2019s own heat",
    hottest: "the hottest room",
  };
  const show = (t: number) => printTemperature(celsius(t), chamber.unit.scale);
  const wider = Math.max(0.1, Math.ceil((by + 0.05) * 10) / 10);
  const { place } = chamber.probes[0]!;
  const { form } = chamber.vessels[0]!;
  const better: ProbePlace = form === "tray" || form === "piece" ? "core" : "strapped";
  const blind =
    stage.of === "product" && !options.probe && (place === "air" || place === "waterBottle" || place === "bare");
  const boxed = chamber.cabinet.kind === "crock" || chamber.cabinet.kind === "kettle";
  const chases = seasons.some((s) => s.reversalsPerDay > MOST_REVERSALS || s.startsPerHour > MOST_STARTS);
  return {
    season: worst.name,
    text:
      by > 0.05
        ? `In ${words[worst.name]} the product ${warm ? "rises to" : "sinks to"} ${show(warm ? worst.high : worst.low)} even with the best numbers found: the ${warm ? "warmest" : "coldest"} that you allow (${show(warm ? stage.high : stage.low)}) binds.`
        : chases
          ? "The band is too narrow for the rest that heat and cold need from each other: the margins against chasing bind."
          : "The margins against chasing leave no room within this band.",
    frees:
      blind && !boxed
        ? [
            { section: "probe", field: "place", value: better },
            { section: "probe", field: "lag", value: undefined },
            { section: "probe", field: "share", value: undefined },
          ]
        : [
            warm && by > 0.05
              ? { section: "stage", field: "high", value: celsius(stage.high + wider) }
              : { section: "stage", field: "low", value: celsius(stage.low - wider) },
          ],
    freesLabel:
      blind && !boxed
        ? `Move the probe: ${placeLabel(better, chamber.cabinet).toLowerCase()}`
        : `Allow ${printDifference(kelvins(wider), chamber.unit.scale)} more at the ${warm && by > 0.05 ? "warm" : "cold"} end`,
  };
}
