import type { Chamber, Change, ProductKind, StageEnd } from "../model";
import { productObservable } from "../product";
import { celsius } from "../quantity";
import { isSmoker } from "./geometry";

/** One stage of a usual course: its band, what ends it, and when at the latest. */
interface UsualStage {
  name: string;
  /** °C; null: the band that the chamber has already. */
  band: readonly [low: number, high: number] | null;
  until?: readonly [name: string, comparison: "atLeast" | "atMost", value: number];
  /** It goes on for so long; or so long at its temperature; or ends so late at the latest, s. */
  lasts?: number;
  rests?: number;
  latest?: number;
  /** Relative humidity of the air, 0..1, where it matters. */
  humidity?: number;
  /** What there is to do: from its beginning or before its end, s, and how often. */
  tasks?: readonly (readonly [name: string, from: "beginning" | "end", seconds: number, every?: number])[];
}

const HOUR = 3600;
const DAY = 24 * HOUR;

/**
 * The stages that each kind of product usually goes through (common practice, no source, but for the pH of a sausage and
 * what a bath has to kill: docs/sources.md). Everything can be changed.
 */
const usual: Partial<Record<ProductKind, readonly UsualStage[]>> = {
  ale: [
    {
      name: "Ferment",
      band: [18, 20],
      until: ["progress", "atLeast", 0.78],
      latest: 10 * DAY,
      tasks: [["Take a gravity", "beginning", 2 * DAY, DAY]],
    },
    {
      name: "Diacetyl rest",
      band: [19, 21],
      rests: 48 * HOUR,
      latest: 7 * DAY,
      tasks: [["Taste for butter, and take a gravity: twice the same, a day apart", "end", DAY, DAY]],
    },
    { name: "Crash", band: [1, 3], lasts: 36 * HOUR },
  ],
  lager: [
    {
      name: "Ferment",
      band: [10, 12],
      until: ["progress", "atLeast", 0.76],
      latest: 18 * DAY,
      tasks: [["Take a gravity", "beginning", 4 * DAY, 2 * DAY]],
    },
    {
      name: "Diacetyl rest",
      band: [16, 18],
      rests: 48 * HOUR,
      latest: 7 * DAY,
      tasks: [["Taste for butter", "end", 12 * HOUR]],
    },
    { name: "Lager", band: [1, 3], lasts: 21 * DAY },
  ],
  farmhouse: [
    {
      name: "Ferment",
      band: [22, 25],
      until: ["progress", "atLeast", 0.8],
      latest: 10 * DAY,
      tasks: [["Take a gravity", "beginning", 2 * DAY, DAY]],
    },
    {
      name: "Finish",
      band: [24, 27],
      until: ["steady", "atLeast", 24],
      latest: 10 * DAY,
      tasks: [["Take a gravity", "beginning", DAY, DAY]],
    },
    { name: "Crash", band: [2, 4], lasts: 36 * HOUR },
  ],
  tempeh: [
    {
      name: "Grow",
      band: null,
      until: ["cake", "atLeast", 0.8],
      latest: 48 * HOUR,
      tasks: [
        ["Turn the trays, look for wet spots", "beginning", 12 * HOUR],
        ["Look at the cake: white and firm, no ammonia", "beginning", 20 * HOUR, 4 * HOUR],
      ],
    },
    { name: "Done", band: [2, 31] },
  ],
  honey: [
    {
      name: "Melt",
      band: null,
      until: ["clear", "atLeast", 0.98],
      latest: 21 * DAY,
      tasks: [["Stir, and look how far it has dissolved", "beginning", DAY, DAY]],
    },
    // A reserve waits cool: in the warm box it would lose its enzymes.
    { name: "Wait", band: [15, 30] },
  ],
  bath: [{ name: "Cook", band: null, until: ["logs", "atLeast", 6.5], latest: 12 * HOUR }],
  smoke: [
    {
      name: "Smoke",
      band: null,
      until: ["core", "atLeast", 90],
      latest: 20 * HOUR,
      tasks: [["Look at fire and fuel", "beginning", 2 * HOUR, 2 * HOUR]],
    },
  ],
  sausage: [
    {
      name: "Sour",
      band: [24, 27],
      until: ["pH", "atMost", 5.3],
      latest: 72 * HOUR,
      humidity: 0.92,
      tasks: [
        ["Measure the pH", "beginning", 10 * HOUR, 6 * HOUR],
        ["If it gets a cooked finish: now, before it dries, and into ice water after it", "end", 0],
      ],
    },
    {
      name: "Dry",
      band: [11, 14],
      until: ["loss", "atLeast", 0.3],
      latest: 60 * DAY,
      humidity: 0.83,
      tasks: [["Weigh, and look for hard rims", "beginning", 3 * DAY, 3 * DAY]],
    },
  ],
  wholeMuscle: [
    {
      name: "Salt evens out",
      band: [2, 5],
      until: ["coldDays", "atLeast", 14],
      latest: 30 * DAY,
      humidity: 0.9,
      tasks: [["Turn the pieces", "beginning", 3 * DAY, 3 * DAY]],
    },
    {
      name: "Dry",
      band: [11, 14],
      until: ["loss", "atLeast", 0.3],
      latest: 90 * DAY,
      humidity: 0.85,
      tasks: [["Weigh", "beginning", 4 * DAY, 4 * DAY]],
    },
  ],
  mash: [
    { name: "Protein rest", band: [50, 54], rests: 15 * 60 },
    { name: "Maltose rest", band: [62, 65], rests: 40 * 60 },
    {
      name: "Sugar rest",
      band: [69, 72],
      until: ["converted", "atLeast", 0.98],
      latest: HOUR,
      tasks: [["Iodine test", "end", 0]],
    },
    { name: "Mash-out", band: [76, 78], rests: 10 * 60 },
  ],
};

/** Products that have usual stages. */
export const usualKinds = Object.keys(usual) as ProductKind[];

const typed = <T>(value: T) => ({ value, origin: "typed" as const });

/** Whose figures the stages of a program wait for: the first vessel's, or all that hold the same product, the slowest. */
export const waitedFor = ({ vessels }: Pick<Chamber, "vessels">): { of: "vessel" | "vessels"; id: string } =>
  vessels.length > 1 && vessels.every((v) => v.product.kind === vessels[0]!.product.kind)
    ? { of: "vessels", id: "" }
    : { of: "vessel", id: vessels[0]!.id };

/** Puts the usual stages of the first vessel's product in the place of those that there are; null where it has none. */
export function usualStages({ vessels, stages, cabinet }: Chamber): Change | null {
  const { product } = vessels[0]!;
  const whose = waitedFor({ vessels });
  const list = usual[product.kind];
  if (!list) return null;
  const [first] = stages;
  const air = isSmoker(cabinet.kind);
  const endOf = ({ until, lasts, rests, band }: UsualStage): StageEnd[] => {
    if (lasts) return [{ kind: "after", seconds: lasts }];
    if (rests && band) {
      const observable = { ...whose, name: "temperature" };
      // A controller that switches lets it wander: a degree below the band still counts.
      return [{ kind: "reaches", observable, comparison: "atLeast", value: band[0] - 1, heldFor: rests }];
    }
    if (!until) return [];
    const [name, comparison, value] = until;
    // What a person wants of this piece stands before what is usual.
    const wanted = productObservable(product, name)?.limit?.(product);
    const own = wanted?.aim && name !== "progress" ? wanted.value : value;
    return [{ kind: "reaches", observable: { ...whose, name }, comparison, value: own, heldFor: 0 }];
  };
  return (r) => ({
    ...r,
    stages: list.map((stage, i) => ({
      id: `s${i + 1}`,
      stage: {
        name: typed(stage.name),
        low: typed(stage.band ? celsius(stage.band[0]) : first!.low),
        high: typed(stage.band ? celsius(stage.band[1]) : first!.high),
        ...(air ? {} : { of: typed(first!.of) }),
        ends: typed(endOf(stage)),
        ...(stage.latest ? { latest: typed(stage.latest) } : {}),
        ...(stage.humidity ? { humidity: typed(stage.humidity) } : {}),
        ...(stage.tasks
          ? {
              tasks: typed(
                stage.tasks.map(([name, from, seconds, every = 0], t) => ({
                  id: `t${t + 1}`,
                  name,
                  from,
                  seconds,
                  every,
                })),
              ),
            }
          : {}),
      },
      settings: {},
    })),
  });
}
