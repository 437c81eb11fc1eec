import type { CabinetKind, Chamber, ChamberRecord, Change, ProductKind, SettingName, StageEnd } from "../model";
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
  /** What holds it in a box, over what follows from its band: found by trying in a cold, a mild and a hot room, K. */
  numbers?: Partial<Record<CabinetKind, Partial<Record<SettingName, number>>>>;
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
      until: ["steady", "atLeast", 24],
      latest: 10 * DAY,
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
      until: ["steady", "atLeast", 24],
      latest: 10 * DAY,
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
        // It keeps warm by itself: what is done does not stay in the box.
        ["Take it out, spread it, and into the cold", "end", 0],
      ],
    },
  ],
  honey: [
    {
      name: "Melt",
      band: null,
      until: ["clear", "atLeast", 0.98],
      latest: 21 * DAY,
      tasks: [
        ["Stir, and look how far it has dissolved", "beginning", DAY, DAY],
        // A reserve waits cool: in the warm box it would lose its enzymes.
        ["Take it out: what is not filled waits cool and dark", "end", 0],
      ],
    },
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
      band: [23, 27],
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
      band: [10, 14],
      until: ["loss", "atLeast", 0.3],
      latest: 60 * DAY,
      numbers: { wine: { coolingDifferential: 0.6 }, upright: { heatingDifferential: 2 } },
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
      // In the cold it dries little; what is a little moister than that does no harm to salted meat.
      humidity: 0.95,
      tasks: [["Turn the pieces", "beginning", 3 * DAY, 3 * DAY]],
    },
    {
      name: "Dry",
      band: [10, 14],
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

/** Settings that belong to a band: another stage works them out anew. The others belong to the gear, and stay. */
const ofBand = ["setpoint", "lowLimit", "highLimit", "lowAlarm", "highAlarm"] as const;

/** What was keyed in for one stage, as another begins with it. */
function tuned(settings: ChamberRecord["stages"][number]["settings"], sameBand: boolean) {
  if (sameBand) return settings;
  return Object.fromEntries(
    Object.entries(settings).map(([id, of]) => [
      id,
      Object.fromEntries(Object.entries(of).filter(([name]) => !(ofBand as readonly string[]).includes(name))),
    ]),
  );
}

/** The same for every controller with the numbers that were found for a stage in such a box. */
const withNumbers = (
  { controllers }: ChamberRecord,
  settings: ChamberRecord["stages"][number]["settings"],
  numbers: Partial<Record<SettingName, number>> | undefined,
): ChamberRecord["stages"][number]["settings"] =>
  numbers
    ? Object.fromEntries(
        controllers.map(({ id }) => [
          id,
          { ...settings[id], ...Object.fromEntries(Object.entries(numbers).map(([name, v]) => [name, typed(v)])) },
        ]),
      )
    : settings;

/** Puts the usual stages of the first vessel's product in the place of those that there are; null where it has none. */
export function usualStages({ vessels, stages, cabinet }: Chamber): Change | null {
  const { product } = vessels[0]!;
  const whose = waitedFor({ vessels });
  const all = usual[product.kind];
  if (!all) return null;
  // What has been salted through already begins to dry.
  const list = all.filter((s) => s.until?.[0] !== "coldDays" || product.salted !== "even");
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
      settings: withNumbers(r, tuned(r.stages[0]!.settings, stage.band === null), stage.numbers?.[cabinet.kind]),
    })),
  });
}
